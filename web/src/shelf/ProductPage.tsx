import {
  FORMS,
  GENERIC_SHELF,
  HAZARDS,
  formOf,
  isTwoPack,
  problemsOf,
  sheetSchema,
  slipsOf,
  type ProductForm,
  type ProductSheet,
  type ShopView,
  type Slip,
} from '@blue-ledge/core';
import { Button, Checkbox, Input, Radio, Select } from 'antd';
import { useId, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { useShops } from '../api/queries.ts';
import { useSaveSheet, useShopSheets } from '../api/shelf-queries.ts';
import { Choice } from '../shared/Choice.tsx';
import { Dialog } from '../shared/dialog/Dialog.tsx';
import { Pending, Problem } from '../shared/Problem.tsx';
import { PageTitle } from '../shell/PageTitle.tsx';
import { announce } from '../state/announce.ts';
import { draftName, draftSaved, keepDraft, useSheetDrafts, type SheetDraft } from '../state/sheet-drafts.ts';
import { GroundFields } from './GroundFields.tsx';
import { MixFields } from './MixFields.tsx';
import { ModeFields } from './ModeFields.tsx';
import { FIELDS, FIELD_GROUPS, kindWords } from './sheet-fields.ts';
import { withAt } from './sheet-path.ts';
import { SheetNumbers } from './SheetNumbers.tsx';
import { TimePoints } from './TimePoints.tsx';
import './shelf.css';

/** One product sheet of the shop: written here, kept as a version of its own once it is saved. */
export function ProductPage() {
  const { shop: shopId = '', sheet: id = '' } = useParams();
  const { data: shops, error: shopsError } = useShops();
  const { data: own, error } = useShopSheets(shopId);
  const draft = useSheetDrafts((state) => state.byId[draftName(shopId, id)]);
  if (!own || !shops) return <Pending error={error ?? shopsError} what="the sheet" />;
  const kept = own.find((sheet) => sheet.id === id);
  const shop = shops.find((candidate) => candidate.id === shopId);
  if (!shop || (!kept && !draft))
    return <Pending error={new Error(`There is no sheet "${id}" on this shelf.`)} what="" />;
  return <SheetPlace key={id} shop={shop} kept={kept ?? null} draft={draft ?? null} />;
}

interface SheetPlaceProps {
  readonly shop: ShopView;
  /** The newest version on the server; null for one that is not saved yet. */
  readonly kept: ProductSheet | null;
  readonly draft: SheetDraft | null;
}

const FORM_WORDS: Readonly<Record<ProductForm, string>> = {
  sprayed: 'sprayed with a gun',
  aerosol: 'aerosol can',
  brushed: 'brushed',
  spread: 'spread with a knife',
  wiped: 'wiped on',
};

interface FieldProblem {
  readonly path: string;
  readonly message: string;
}

const readProblems = (sheet: ProductSheet): FieldProblem[] => {
  const parsed = sheetSchema.safeParse(sheet);
  return parsed.success ? [] : problemsOf(parsed.error);
};

/** "Most in one application must be at least the film of one coat" */
const problemWords = ({ path, message }: FieldProblem): string => {
  const label = FIELDS.find((field) => field.path === path)?.label ?? path;
  return `${label} ${message}`;
};

function SheetPlace({ shop, kept, draft }: SheetPlaceProps) {
  const save = useSaveSheet(shop.id);
  const navigate = useNavigate();
  const [slips, setSlips] = useState<readonly Slip[] | null>(null);
  const sheet = (draft?.sheet ?? kept)!;
  const from = draft?.from ?? kept?.version ?? 0;
  const name = draftName(shop.id, sheet.id);
  const nameId = useId();
  const put = (changes: Partial<ProductSheet>): void =>
    keepDraft(name, { from, sheet: { ...sheet, ...changes } });
  const putAt = (path: string, value: unknown): void =>
    keepDraft(name, { from, sheet: withAt(sheet, path, value) });
  const problems = readProblems(sheet);
  const theirs = draft !== null && kept !== null && kept.version !== from ? kept : null;

  const send = (): void => {
    setSlips(null);
    save.mutate(
      { sheet, from },
      {
        onSuccess: (saved) => {
          draftSaved(name, sheet, saved);
          announce(`${saved.name} is saved.`);
        },
      },
    );
  };
  const trySave = (): void => {
    const odd = slipsOf(sheet);
    if (odd.length > 0) setSlips(odd);
    else send();
  };
  const drop = (): void => {
    keepDraft(name, null);
    save.reset();
    if (!kept) void navigate(`/shelf/${shop.id}`);
  };
  const group = (id: string) => {
    const { title, fields } = FIELD_GROUPS.find((each) => each.id === id)!;
    return { title, numbers: <SheetNumbers fields={fields} sheet={sheet} onChange={putAt} /> };
  };
  return (
    <main className="page">
      <PageTitle name={sheet.name} />
      <div className="page-head">
        <h1>{sheet.name}</h1>
        <span className="note">
          {kindWords(sheet)}, {kept ? `version ${kept.version}` : 'not saved yet'}
          {kept?.isArchived && ', archived'}
        </span>
        <div className="head-actions">
          <Link to={`/shelf/${shop.id}`}>All products of {shop.name}</Link>
        </div>
      </div>
      {theirs && (
        <div className="sheet-notice" role="alert">
          <span>
            <b>Somebody saved version {theirs.version} meanwhile.</b> Yours is not lost: keep it as the next
            version, or take theirs.
          </span>
          <span className="term-acts">
            <Button onClick={() => keepDraft(name, { sheet, from: theirs.version })}>Keep mine on top</Button>
            <Button onClick={drop}>Take theirs</Button>
          </span>
        </div>
      )}
      {save.error && !theirs && <Problem error={save.error} />}
      <div className="sheet-panes">
        <section className="pane" aria-labelledby="sheet-head">
          <h2 id="sheet-head">Product</h2>
          <div className="field">
            <label htmlFor={nameId}>What you call it</label>
            <Input
              id={nameId}
              value={sheet.name}
              maxLength={120}
              status={sheet.name.trim() === '' ? 'error' : ''}
              onChange={({ target }) => put({ name: target.value })}
            />
          </div>
          <div className="field">
            <span id="carrier-label">What leaves while it flashes</span>
            <Radio.Group
              aria-labelledby="carrier-label"
              value={sheet.carrier}
              options={[
                { value: 'solvent', label: 'solvent' },
                { value: 'water', label: 'water' },
              ]}
              onChange={({ target }) => put({ carrier: target.value as ProductSheet['carrier'] })}
            />
          </div>
          <Choice
            label="How it is put on"
            value={formOf(sheet)}
            options={FORMS.map((form) => [form, FORM_WORDS[form]])}
            onChange={(form) => put({ form })}
          />
          <Choice
            label="Packs"
            value={isTwoPack(sheet) ? 'two' : 'one'}
            options={[
              ['one', 'one pack: it dries by itself'],
              ['two', 'two packs that react'],
            ]}
            onChange={(pack) => put({ pack })}
          />
          {sheet.kind === 'epoxy' && (
            <Checkbox
              checked={sheet.use === 'sealer'}
              onChange={({ target }) => putAt('use', target.checked ? 'sealer' : undefined)}
            >
              This sheet is for it reduced as sealer
            </Checkbox>
          )}
          <Checkbox
            checked={sheet.resistsCorrosion}
            onChange={({ target }) => put({ resistsCorrosion: target.checked })}
          >
            Protects bare metal
          </Checkbox>
          <Checkbox
            checked={sheet.coversBareSpots}
            onChange={({ target }) => put({ coversBareSpots: target.checked })}
          >
            May cover small spots of bare metal
          </Checkbox>
          <div className="field">
            <span id="hazards-label">What can hurt, by its safety sheet</span>
            <Checkbox.Group
              aria-labelledby="hazards-label"
              options={HAZARDS.map((hazard) => ({ value: hazard, label: hazard }))}
              value={sheet.hazards}
              onChange={(hazards) => put({ hazards })}
            />
          </div>
          <label className="field">
            <span>Tones, L* from 0 (black) to 100 (white)</span>
            <Select
              aria-label="Tones"
              mode="tags"
              tokenSeparators={[' ', ';']}
              value={sheet.tonesL.map(String)}
              options={[]}
              open={false}
              onChange={(typed: string[]) =>
                put({
                  tonesL: [...new Set(typed.map(Number).filter((tone) => tone >= 0 && tone <= 100))].sort(
                    (a, b) => a - b,
                  ),
                })
              }
            />
          </label>
          {group('order').numbers}
        </section>
        <section className="pane" aria-labelledby="mix-head">
          <h2 id="mix-head">Mix</h2>
          <MixFields components={sheet.components} onChange={(components) => put({ components })} />
          {group('mixing').numbers}
        </section>
        <section className="pane" aria-labelledby="film-head">
          <h2 id="film-head">Film</h2>
          {group('film').numbers}
        </section>
        <section className="pane" aria-labelledby="times-head">
          <h2 id="times-head">Times and air</h2>
          {group('times').numbers}
          <div className="field">
            <span id="past-label">Once the next coat is too late</span>
            <Radio.Group
              aria-labelledby="past-label"
              value={sheet.recoat.past}
              options={[
                { value: 'scuff', label: 'scuff it' },
                { value: 'abrade', label: 'sand it' },
                { value: 'repeat', label: 'lay it again' },
              ]}
              onChange={({ target }) => putAt('recoat.past', target.value)}
            />
          </div>
          <TimePoints
            points={sheet.cure}
            what="Fully cured after"
            called="cure point"
            help="Under “drying” or “through cure”; add the line for infrared or oven."
            least={1}
            next={{ celsius: 60, minutes: Math.min(30, sheet.cure[0]?.minutes ?? 30) }}
            onChange={(cure) => put({ cure })}
          />
          <h3>Flash at other temperatures</h3>
          <TimePoints
            points={sheet.flash.at ?? []}
            what="Between coats"
            called="flash point"
            help="Where the sheet has a table of flash times; without one it is worked out."
            least={0}
            next={{ celsius: sheet.refCelsius + 10, minutes: Math.max(1, sheet.flash.betweenCoatsMin / 2) }}
            onChange={(at) => putAt('flash.at', at.length === 0 ? undefined : at)}
          />
          {group('air').numbers}
        </section>
        <section className="pane sheet-wide" aria-labelledby="ground-head">
          <h2 id="ground-head">What it may lie on</h2>
          <GroundFields sheet={sheet} onChange={put} />
        </section>
        <section className="pane sheet-wide" aria-labelledby="modes-head">
          <h2 id="modes-head">Mixed in other ways</h2>
          <ModeFields sheet={sheet} onChange={(modes) => putAt('modes', modes)} />
        </section>
      </div>
      <SaveBar
        isChanged={draft !== null}
        isBusy={save.isPending}
        problems={problems.map(problemWords)}
        canSave={theirs === null}
        onSave={trySave}
        onDrop={drop}
        isNew={kept === null}
        isBuiltIn={GENERIC_SHELF.some(({ id }) => id === sheet.id)}
      />
      {slips && (
        <Dialog
          title="Sure?"
          act={{ label: 'It is so: save it', run: send }}
          leave={{ label: 'Look again', run: () => setSlips(null) }}
          onClose={() => setSlips(null)}
        >
          <ul className="slips">
            {slips.map(({ path, says }) => (
              <li key={path}>{says}</li>
            ))}
          </ul>
        </Dialog>
      )}
    </main>
  );
}

interface SaveBarProps {
  readonly isChanged: boolean;
  readonly isNew: boolean;
  /** It takes the place of a built-in sheet of the same id. */
  readonly isBuiltIn: boolean;
  readonly isBusy: boolean;
  readonly canSave: boolean;
  readonly problems: readonly string[];
  readonly onSave: () => void;
  readonly onDrop: () => void;
}

function SaveBar({ isChanged, isNew, isBuiltIn, isBusy, canSave, problems, onSave, onDrop }: SaveBarProps) {
  if (!isChanged)
    return (
      <p className="note">
        Saved. Plans that were made with an earlier version keep saying so until they are made again.
      </p>
    );
  return (
    <div className="save-bar" role="region" aria-label="Save the sheet">
      <div>
        {problems.length > 0 ? (
          <ul className="field-problem" role="alert">
            {problems.slice(0, 4).map((words) => (
              <li key={words}>{words}.</li>
            ))}
          </ul>
        ) : (
          <span>
            {isNew
              ? `Not on the shelf yet${isBuiltIn ? '; saved, it takes the place of the built-in one' : ''}.`
              : 'Changes that are not saved are kept in this browser.'}
          </span>
        )}
      </div>
      <span className="term-acts">
        <Button onClick={onDrop}>{isNew ? 'Drop it' : 'Drop the changes'}</Button>
        <Button
          type="primary"
          className="ledge-button"
          loading={isBusy}
          disabled={problems.length > 0 || !canSave}
          onClick={onSave}
        >
          {isNew ? 'Put it on the shelf' : 'Save as the next version'}
        </Button>
      </span>
    </div>
  );
}
