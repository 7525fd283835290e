import {
  DEFECT_WORDS,
  areaTitle,
  labelOf,
  type BodyOf,
  type Defect,
  type Fold,
  type LayerKind,
  type Panel,
  type Shop,
  type Step,
} from '@blue-ledge/core';
import { useState } from 'react';
import { Choice } from '../../shared/Choice.tsx';
import { Dialog } from '../../shared/dialog/Dialog.tsx';
import { DefectDrawing } from '../../shared/defects/DefectDrawing.tsx';
import { DialogFields } from '../../shared/DialogFields.tsx';
import { NoteField } from '../../shared/NoteField.tsx';
import { NumberField } from '../../shared/NumberField.tsx';
import { PlacePicker, type PickedPlace } from '../../shared/panel-map/PlacePicker.tsx';
import { PlainNumber } from '../../shared/PlainNumber.tsx';

interface FoundDialogProps {
  readonly defect: Defect;
  readonly step: Step;
  readonly fold: Fold;
  readonly panel: Panel;
  readonly shop: Shop;
  readonly onBack: () => void;
  readonly onClose: () => void;
  readonly onFound: (body: BodyOf<'defect'>, words: string) => void;
}

const SPOT_MM = 15;

/** Where a defect is and how large: it goes into the record, and the rest can be planned from there. */
export function FoundDialog({ defect, step, fold, panel, shop, onBack, onClose, onFound }: FoundDialogProps) {
  const areas = fold.panel.zones.map(({ zone }) => zone.id);
  const [place, setPlace] = useState<PickedPlace>({
    area: step.areas.find((id) => areas.includes(id)) ?? areas[0]!,
  });
  const [spotMm, setSpotMm] = useState(SPOT_MM);
  const [count, setCount] = useState(1);
  const [shows, setShows] = useState<LayerKind | null>(null);
  const [text, setText] = useState('');
  const { area, atMm } = place;
  const layers = fold.panel.zones.find(({ zone }) => zone.id === area)?.stack.map(({ kind }) => kind) ?? [];
  const under = [...new Set(layers.slice(0, -1))].toReversed();
  const shown = shows !== null && under.includes(shows) ? shows : (under[0] ?? null);
  const { title, looks } = DEFECT_WORDS[defect];
  const isSpot = defect === 'rub-through';
  return (
    <Dialog
      title={title}
      width={760}
      act={{
        label: 'Enter it',
        run: () =>
          onFound(
            {
              defect,
              zones: [area],
              ...(atMm ? { atMm } : {}),
              ...(isSpot ? { spotMm, count, ...(shown ? { shows: shown } : {}) } : {}),
              ...(text.trim() ? { text: text.trim() } : {}),
            },
            `${title.toLowerCase()} on ${area}`,
          ),
      }}
      leave={{ label: 'Something else', run: onBack }}
      onClose={onClose}
    >
      <p className="found-looks">
        <DefectDrawing defect={defect} />
        <span>{looks}. Tap on the map where it is.</span>
      </p>
      <PlacePicker panel={panel} shop={shop} areas={areas} place={place} onPick={setPlace} />
      <DialogFields>
        <Choice
          label="Where"
          value={area}
          options={areas.map((id) => [id, areaTitle(id)])}
          onChange={(next) => setPlace({ area: next })}
        />
        {isSpot && (
          <>
            <NumberField
              label="Largest spot"
              quantity="Mm"
              from={1}
              to={2000}
              value={spotMm}
              onChange={setSpotMm}
            />
            <PlainNumber label="How many" from={1} to={200} isWhole value={count} onChange={setCount} />
            {shown && (
              <Choice
                label="What shows"
                value={shown}
                options={under.map((kind) => [kind, labelOf(kind)])}
                onChange={setShows}
              />
            )}
          </>
        )}
        <NoteField value={text} onChange={setText} />
      </DialogFields>
    </Dialog>
  );
}
