import {
  bandsOfColor,
  bandsOfGrey,
  baseCoatOver,
  colorText,
  contrastOfCoats,
  hexOfBands,
  hidingOverColor,
  readColor,
  undertonesFor,
  type Color,
  type Pour,
  type ProductSheet,
  type Target,
  type ToneOffer,
} from '@blue-ledge/core';
import { Button, Input, Slider } from 'antd';
import { useId, useMemo, useState } from 'react';
import type { PlanOnScreen } from '../../api/opened-plan.ts';
import { useSheets } from '../../api/queries.ts';
import type { ShopEdit } from '../../api/use-shop-of-job.ts';
import { changeFields } from '../../outbox/outbox.ts';
import { sendSoon } from '../../outbox/sender.ts';
import { NumberInput } from '../../shared/NumberInput.tsx';
import { SourceMark } from '../../shared/SourceMark.tsx';
import { useFormat } from '../../state/units.ts';
import { usePanelContext } from '../panel-context.ts';
import { UndertoneChart, type ChartMark } from './UndertoneChart.tsx';

interface UndertoneViewProps {
  readonly plan: PlanOnScreen;
  readonly pour: Pour;
  readonly sheet: ProductSheet;
  readonly shop: ShopEdit;
}

/** Contrast of one coat where nobody sprayed a card (default: an average base). */
const USUAL_CONTRAST = 0.6;
const MOST_OFFERS = 6;

/** Which undercoat lets the base hide soonest, what the shelf has for it, and what the wrong one costs. */
export function UndertoneView({ plan, sheet, shop }: UndertoneViewProps) {
  const { view, key } = usePanelContext();
  const { target } = view;
  const [color, setColor] = useState<Color | undefined>(target.base.color);
  const [contrast, setContrast] = useState(target.base.contrast ?? USUAL_CONTRAST);
  const isKept = color === target.base.color && contrast === target.base.contrast;
  const keep = (): void => {
    const base: Target['base'] = { ...target.base, contrast, ...(color === undefined ? {} : { color }) };
    changeFields({ of: 'jobs', id: key.job, fields: { target: { ...target, base } } });
    sendSoon();
  };
  return (
    <section className="undertone" aria-labelledby="undertone-head">
      <h3 id="undertone-head">Which tone under this base</h3>
      <div className="undertone-base">
        <ColorField color={color} onChange={setColor} />
        {color !== undefined && <CardFields base={{ color, contrast, target }} onContrast={setContrast} />}
      </div>
      {color === undefined ? (
        <p className="note">Give the base its colour, by hex or as measured: coats are then worked out.</p>
      ) : (
        <Tones plan={plan} sheet={sheet} shop={shop} target={target} color={color} contrast={contrast} />
      )}
      {color !== undefined && !isKept && (
        <p>
          <Button onClick={keep}>Keep for this job</Button>{' '}
          <span className="note">
            Plans made after that take the tone that hides soonest; this one says that the target has changed.
          </span>
        </p>
      )}
    </section>
  );
}

interface ColorFieldProps {
  readonly color: Color | undefined;
  readonly onChange: (color: Color) => void;
}

function ColorField({ color, onChange }: ColorFieldProps) {
  const [text, setText] = useState(color === undefined ? '' : colorText(color));
  const id = useId();
  const read = readColor(text);
  return (
    <div className="field">
      <label htmlFor={id}>Base, hex or L* a b as measured</label>
      <Input
        id={id}
        value={text}
        maxLength={40}
        placeholder="#1b7f86 or 48.2 -22 -14"
        status={text !== '' && !read.ok ? 'error' : ''}
        prefix={
          read.ok ? (
            <span className="base-swatch" style={{ background: hexOfBands(bandsOfColor(read.color)) }} />
          ) : undefined
        }
        onChange={({ target: { value } }) => {
          setText(value);
          const next = readColor(value);
          if (next.ok) onChange(next.color);
        }}
      />
      {text !== '' && !read.ok && (
        <p className="field-problem" role="alert">
          {read.message}
        </p>
      )}
    </div>
  );
}

interface CardFieldsProps {
  readonly base: { readonly color: Color; readonly contrast: number; readonly target: Target };
  readonly onContrast: (contrast: number) => void;
}

const MOST_CARD_COATS = 12;

/** What the hiding card said: one coat over black by one over white, or how many coats made them alike. */
function CardFields({ base: { color, contrast, target }, onContrast }: CardFieldsProps) {
  const id = useId();
  return (
    <>
      <div className="field">
        <span id={id}>
          One coat on the card, over black by over white: <b>{contrast.toFixed(2)}</b>{' '}
          <SourceMark source={target.base.contrast === undefined ? 'default' : 'shop'} />
        </span>
        <Slider
          aria-labelledby={id}
          ariaLabelForHandle="One coat over black by over white"
          min={0.05}
          max={0.98}
          step={0.01}
          value={contrast}
          onChange={onContrast}
        />
      </div>
      <label className="field">
        <span>or coats until black and white match</span>
        <NumberInput
          name="Coats until black and white match"
          value={null}
          placeholder="for example 2"
          from={1}
          to={MOST_CARD_COATS}
          isWhole
          onClear={() => undefined}
          onChange={(coats) =>
            onContrast(Math.round(contrastOfCoats(bandsOfColor(color), coats, target.quality) * 100) / 100)
          }
        />
      </label>
    </>
  );
}

interface TonesProps {
  readonly plan: PlanOnScreen;
  readonly sheet: ProductSheet;
  readonly shop: ShopEdit;
  readonly target: Target;
  readonly color: Color;
  readonly contrast: number;
}

const coatsWords = (coats: number | null): string =>
  coats === null ? 'does not hide in 20 coats' : coats === 1 ? '1 coat' : `${coats} coats`;

const MOST_PARTS = 9;

/** The simplest ratio of two small whole numbers next to a share: 0.8 is 1 to 4. */
function partsOfShare(share: number): readonly [number, number] {
  const all = Array.from(
    { length: MOST_PARTS ** 2 },
    (_, i) => [(i % MOST_PARTS) + 1, Math.floor(i / MOST_PARTS) + 1] as const,
  );
  const offBy = ([dark, light]: readonly [number, number]): number =>
    Math.abs(light / (dark + light) - share);
  return all.reduce((best, each) => (offBy(each) < offBy(best) - 0.01 ? each : best), all[0]!);
}

/** "1 part grey 40 to 4 parts grey 60" */
function mixedWords({ darkL, lightL, lighterShare }: NonNullable<ToneOffer['mixed']>): string {
  const [dark, light] = partsOfShare(lighterShare);
  const parts = (n: number): string => (n === 1 ? '1 part' : `${n} parts`);
  return `${parts(dark)} grey ${darkL} to ${parts(light)} grey ${lightL}`;
}

function Tones({ plan, sheet, shop, target, color, contrast }: TonesProps) {
  const { key } = usePanelContext();
  const { quantity, minutes } = useFormat();
  const { data: shelf } = useSheets(key.job);
  const toned = useMemo(
    () => (shelf ?? [sheet]).filter(({ kind, tonesL }) => kind === sheet.kind && tonesL.length > 0),
    [shelf, sheet],
  );
  const base = { masstone: bandsOfColor(color), contrast, quality: target.quality };
  const { chart, ideal, offers } = undertonesFor(base, toned);
  const { panel } = plan.plan.inputs;
  const found = panel.zones.flatMap(({ id, layers }) => {
    const top = layers[layers.length - 1]!;
    const ground =
      top.toneL !== undefined ? bandsOfGrey(top.toneL) : top.color ? bandsOfColor(top.color) : null;
    return ground ? [{ id, ...hidingOverColor(base, ground) }] : [];
  });
  const nameOf = (id: string): string => toned.find((each) => each.id === id)?.name ?? id;
  const perCoat = baseCoatOver(panel.areaM2 * panel.count, { target, shop: shop.shop });
  const [best] = offers;
  const worst = offers.at(-1);
  const marks: ChartMark[] = offers
    .filter(({ mixed }) => !mixed)
    .map(({ toneL, coats, sheetId }) => ({ toneL, coats, label: nameOf(sheetId) }));
  const moreCoats = best?.coats && worst?.coats ? worst.coats - best.coats : 0;
  return (
    <>
      <UndertoneChart chart={chart} marks={marks} idealL={ideal.toneL} baseHex={hexOfBands(base.masstone)} />
      <p>
        Best of all: <b>grey {Math.round(ideal.toneL)}</b> of 100, {coatsWords(ideal.coats)}{' '}
        <SourceMark source="model" />
      </p>
      <ol className="tone-offers">
        {offers.slice(0, MOST_OFFERS).map((offer) => (
          <li key={`${offer.sheetId} ${offer.toneL} ${offer.mixed ? 'mixed' : ''}`}>
            <b>{coatsWords(offer.coats)}</b> over {nameOf(offer.sheetId)}, grey {Math.round(offer.toneL)}
            {offer.mixed && `: mix ${mixedWords(offer.mixed)}, each ready to spray`}
          </li>
        ))}
      </ol>
      {found.map(({ id, coats }) => (
        <p key={id} className="note">
          Over the finish found in {id}, where nothing of ours covers it: {coatsWords(coats)}. One undertone
          over all saves that.
        </p>
      ))}
      {worst && moreCoats > 0 && (
        <p>
          The wrong tone costs: over grey {Math.round(worst.toneL)} the base takes {moreCoats} more{' '}
          {moreCoats === 1 ? 'coat' : 'coats'} than over the best of these,{' '}
          <b>{minutes(Math.round(moreCoats * perCoat.handsOnMin))}</b> of work,{' '}
          {minutes(moreCoats * perCoat.flashMin)} of flash and {quantity('Ml', moreCoats * perCoat.ml)} of
          base <SourceMark source="model" />
        </p>
      )}
    </>
  );
}
