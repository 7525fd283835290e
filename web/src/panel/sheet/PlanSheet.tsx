import {
  areasOf,
  clockTime,
  placeWords,
  quoteOf,
  stepMeans,
  stepMix,
  stepTitle,
  type OpenedPlan,
  type Step,
  type WorkStart,
} from '@blue-ledge/core';
import { Button } from 'antd';
import { Link, useParams, useSearchParams } from 'react-router';
import { PageTitle } from '../../shell/PageTitle.tsx';
import { PrinterOutlined } from '../../shared/icons.tsx';
import { plannedView } from '../../api/opened-plan.ts';
import { usePanel } from '../../api/queries.ts';
import { isTimed, useTimedPlan, type TimedPlan } from '../../api/timed-plan.ts';
import { Pending } from '../../shared/Problem.tsx';
import { SourceLegend, SourceMark } from '../../shared/SourceMark.tsx';
import { useCut } from '../../shared/panel-map/use-cut.ts';
import { StrataSection } from '../../shared/section/StrataSection.tsx';
import { moneyText } from '../../shared/money.ts';
import { datedText } from '../../state/now.ts';
import { serverNow } from '../../state/server-time.ts';
import { useFormat } from '../../state/units.ts';
import { sectionInput } from '../section-input.ts';
import { timesText } from '../system/StepList.tsx';
import { useSelection } from '../system/use-selection.ts';
import { PrintPages } from './PrintPages.tsx';
import './sheet.css';

const DRAWING = { width: 760, height: 270 } as const;

/** The plan on paper: the section at hand-over, every step with its figures, reason and cautions, and boxes to tick. */
export function PlanSheet() {
  const { job = '', panel = '' } = useParams();
  const [search] = useSearchParams();
  const key = { job, panel };
  const { data: view, error } = usePanel(key);
  const { data: stored, error: planError } = useTimedPlan(key);
  if (!view || !isTimed(stored))
    return (
      <Pending
        error={
          error ?? planError ?? (stored === undefined ? null : new Error('There is no plan to print yet.'))
        }
        what="the plan"
      />
    );
  return (
    <Sheet
      view={plannedView(view, stored)}
      stored={stored}
      back={`/jobs/${job}/panels/${panel}/system?${search}`}
    />
  );
}

interface SheetProps {
  readonly view: NonNullable<ReturnType<typeof usePanel>['data']>;
  readonly stored: TimedPlan;
  readonly back: string;
}

function Sheet({ view, stored, back }: SheetProps) {
  const { system: units, minutes, quantity, said } = useFormat();
  const selection = useSelection(stored.opened.view, stored.chosen);
  const [cut] = useCut(view.panel);
  if (!selection)
    return <Pending error={new Error('No system of this plan can be printed.')} what="the plan" />;
  const { system, core } = selection;
  const { panel, shop, target } = view;
  const { view: plan, sheetOf } = stored.opened;
  const { inputs } = stored.plan;
  const quote = quoteOf({
    pours: stored.opened.poursOf(system.id),
    steps: system.steps,
    nameOf: (id) => sheetOf(id)?.name ?? id,
    shop,
  });
  const money = (amount: number): string => moneyText(amount, shop.currency);
  const input = sectionInput(stored.opened.view.found, system, view, cut);
  return (
    <main className="page plan-sheet">
      <PageTitle name={`Plan of ${panel.name}`} />
      <PrintPages heading={`${panel.name}, ${view.job.title}: ${system.title}`} />
      <p className="sheet-acts">
        <Link to={back}>Back to the systems</Link>
        <Button type="primary" icon={<PrinterOutlined />} onClick={() => window.print()}>
          Print
        </Button>
      </p>
      <header>
        <h1>
          {panel.name} <span className="note">{view.job.title}</span>
        </h1>
        <p>
          <b>{system.title}</b>
          {system.verdict === 'refused' && `, refused: ${system.refusedBy.map(said).join(' ')}`}
        </p>
        <p>
          {quantity('M2', panel.areaM2)}, {target.quality} quality, {target.base.carrier} base. Hands-on{' '}
          {minutes(system.totals.handsOnMin)}, ready {clockTime(plan, system.steps.at(-1)!.endMin)} (
          {timesText(system.id === stored.chosen ? stored.timesBy : 'plan', inputs.isStartFixed === true)}) at{' '}
          {quantity('Celsius', shop.celsius)} by day
          {shop.nightCelsius === undefined ? '' : ` and ${quantity('Celsius', shop.nightCelsius)} at night`}.
        </p>
        <p>
          {money(quote.totalCost)} in all: material {money(quote.materialCost)}, left over{' '}
          {money(quote.wasteCost)}, work {money(quote.labourCost)}.
        </p>
        <p className="note">
          Zones:{' '}
          {panel.zones.map((zone) => `${zone.id} ${zone.name}, ${quantity('M2', zone.areaM2)}`).join('; ')}.
          Planned {datedText(stored.createdAt)}, printed {datedText(serverNow())}
          {stored.changed.length > 0 && '; what it was planned from has changed since'}.
        </p>
      </header>
      <StrataSection
        input={input}
        n={system.steps.length}
        {...DRAWING}
        system={units}
        core={core}
        showsRemoved={false}
        onPick={() => undefined}
      />
      <SourceLegend />
      <table>
        <thead>
          <tr>
            <th>Step</th>
            <th>When</th>
            <th>What</th>
            <th>With</th>
            <th>Next coat</th>
            <th>Why</th>
            <th>Done</th>
          </tr>
        </thead>
        <tbody>
          {system.steps.map((step) => (
            <Row key={step.n} step={step} all={areasOf(system.steps)} start={plan} sheetOf={sheetOf} />
          ))}
        </tbody>
      </table>
      <Cautions steps={system.steps} />
    </main>
  );
}

/** Reasons that a bench needs on paper; the screen has all of them. */
const MOST_REASONS = 2;

interface RowProps {
  readonly step: Step;
  readonly all: readonly string[];
  readonly start: WorkStart;
  readonly sheetOf: OpenedPlan['sheetOf'];
}

function Row({ step, all, start, sheetOf }: RowProps) {
  const { system, minutes, said } = useFormat();
  const at = (afterMin: number): string => clockTime(start, afterMin);
  const { window: open } = step;
  return (
    <tr>
      <td className="sheet-n">{step.n}</td>
      <td className="sheet-when">
        <b>{at(step.startMin)}</b>
        {step.handsOnMin > 0 && <div>{minutes(step.handsOnMin)}</div>}
        {step.waitMin > 0 && <div>wait {minutes(step.waitMin)}</div>}
      </td>
      <td>
        <b>{stepTitle(step)}</b>
        <br />
        {placeWords(step.areas, all)}
      </td>
      <td>
        {stepMeans(step, system)}
        <div>{stepMix(step, sheetOf(step.sheetId))}</div>
      </td>
      <td className="sheet-when">
        {open && (
          <>
            <div>from {at(step.endMin + open.opensMin)}</div>
            <div>to {at(step.endMin + open.closesMin)}</div>
          </>
        )}
      </td>
      <td>
        {step.why.slice(0, MOST_REASONS).map((reason, i) => (
          <div key={i}>
            <SourceMark source={reason.source} /> {said(reason)}
          </div>
        ))}
      </td>
      <td>
        <span className="tick-box" />
      </td>
    </tr>
  );
}

/** Each caution once, with the steps it belongs to. */
function Cautions({ steps }: { readonly steps: readonly Step[] }) {
  const texts = [...new Set(steps.flatMap((step) => step.cautions))];
  if (texts.length === 0) return null;
  return (
    <section>
      <h2>Cautions</h2>
      <ul>
        {texts.map((text) => (
          <li key={text}>
            {text}{' '}
            <span className="note">
              steps{' '}
              {steps
                .filter((step) => step.cautions.includes(text))
                .map((step) => step.n)
                .join(', ')}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
