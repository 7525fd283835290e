import type { BodyOf, Fold, Panel, Shop, Step } from '@blue-ledge/core';
import { useState } from 'react';
import { BlobImage } from '../../shared/BlobImage.tsx';
import { Dialog } from '../../shared/dialog/Dialog.tsx';
import { DialogFields } from '../../shared/DialogFields.tsx';
import { NoteField } from '../../shared/NoteField.tsx';
import { PlacePicker, type PickedPlace } from '../../shared/panel-map/PlacePicker.tsx';
import { scaledPhoto, type ScaledPhoto } from '../../shared/scaled-photo.ts';

interface PhotoDialogProps {
  readonly step: Step;
  readonly fold: Fold;
  readonly panel: Panel;
  readonly shop: Shop;
  readonly onClose: () => void;
  readonly onTaken: (body: BodyOf<'photo'>, photo: Blob) => void;
}

/** A photo of the panel, and where it was taken. It is kept on this device until the server has it. */
export function PhotoDialog({ step, fold, panel, shop, onClose, onTaken }: PhotoDialogProps) {
  const areas = fold.panel.zones.map(({ zone }) => zone.id);
  const [place, setPlace] = useState<PickedPlace>({
    area: step.areas.find((id) => areas.includes(id)) ?? areas[0]!,
  });
  const [photo, setPhoto] = useState<ScaledPhoto | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [isReading, setIsReading] = useState(false);
  const [text, setText] = useState('');
  const take = async (file: File): Promise<void> => {
    setIsReading(true);
    setProblem(null);
    try {
      setPhoto(await scaledPhoto(file));
    } catch (error) {
      setPhoto(null);
      setProblem((error as Error).message);
    } finally {
      setIsReading(false);
    }
  };
  const { area, atMm } = place;
  return (
    <Dialog
      title="Photo"
      width={760}
      act={{
        label: 'Enter it',
        run: () =>
          photo &&
          onTaken(
            {
              photoId: photo.photoId,
              zones: [area],
              ...(atMm ? { atMm } : {}),
              ...(text.trim() ? { text: text.trim() } : {}),
            },
            photo.blob,
          ),
        isBusy: isReading,
        isOff: photo === null,
      }}
      onClose={onClose}
    >
      <div className="photo-take">
        <label className="photo-file">
          <span>{photo ? 'Another photo' : 'Take or choose a photo'}</span>
          <input
            type="file"
            accept="image/*"
            capture="environment"
            className="visually-hidden"
            onChange={({ target }) => {
              const file = target.files?.[0];
              if (file) void take(file);
              target.value = '';
            }}
          />
        </label>
        {photo && <BlobImage blob={photo.blob} className="photo-preview" alt="The photo that was taken" />}
        {problem && (
          <p className="field-problem" role="alert">
            {problem}
          </p>
        )}
      </div>
      <p className="note">Tap on the map where it was taken.</p>
      <PlacePicker panel={panel} shop={shop} areas={areas} place={place} onPick={setPlace} />
      <DialogFields>
        <NoteField label="What it shows" value={text} onChange={setText} />
      </DialogFields>
    </Dialog>
  );
}
