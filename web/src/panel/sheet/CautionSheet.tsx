import { GOVERNS, stepTitle, type Step } from '@blue-ledge/core';
import { Button } from 'antd';
import { Link, useParams, useSearchParams } from 'react-router';
import { PageTitle } from '../../shell/PageTitle.tsx';
import { PrinterOutlined } from '../../shared/icons.tsx';
import { isOpened, usePanel, usePlan } from '../../api/queries.ts';
import { Pending } from '../../shared/Problem.tsx';
import { useSelection } from '../system/use-selection.ts';
import { PrintPages } from './PrintPages.tsx';
import './sheet.css';

/** What can hurt on this panel, on paper: each caution once, with the steps on which it holds. */
export function CautionSheet() {
  const { job = '', panel = '' } = useParams();
  const [search] = useSearchParams();
  const { data: view, error } = usePanel({ job, panel });
  const { data: stored, error: planError } = usePlan({ job, panel });
  const plan = isOpened(stored) ? stored.opened.view : NO_PLAN;
  const selection = useSelection(plan, stored?.chosen ?? null);
  if (!view || !stored || !selection)
    return (
      <Pending
        error={
          error ?? planError ?? (stored === undefined ? null : new Error('There is no plan to print yet.'))
        }
        what="the plan"
      />
    );
  const { system } = selection;
  return (
    <main className="page plan-sheet">
      <PageTitle name={`Cautions of ${view.panel.name}`} />
      <PrintPages heading={`Cautions: ${view.panel.name}, ${view.job.title}`} />
      <p className="sheet-acts">
        <Link to={`/jobs/${job}/panels/${panel}/system?${search}`}>Back to the systems</Link>
        <Button type="primary" icon={<PrinterOutlined />} onClick={() => window.print()}>
          Print
        </Button>
      </p>
      <header>
        <h1>
          Cautions{' '}
          <span className="note">
            {view.panel.name}, {view.job.title}
          </span>
        </h1>
        <p>
          <b>{system.title}</b>
        </p>
        <p className="governs">
          <b>{GOVERNS}</b> This page takes the place of none of them.
        </p>
      </header>
      <table>
        <thead>
          <tr>
            <th>What can hurt, and what against it</th>
            <th>Steps</th>
          </tr>
        </thead>
        <tbody>
          {byCaution(system.steps).map(([caution, steps]) => (
            <tr key={caution}>
              <td>
                <b>{caution}</b>
              </td>
              <td>{steps.map((step) => `${step.n} ${stepTitle(step).toLowerCase()}`).join(', ')}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <h2>Products on this panel: have their safety sheets at hand</h2>
      <ul>
        {[...new Set(system.steps.flatMap(({ sheetName }) => sheetName ?? []))].map((name) => (
          <li key={name}>{name}</li>
        ))}
      </ul>
    </main>
  );
}

const NO_PLAN = {
  panelId: '',
  chosen: null,
  systems: [],
  stopped: [],
  found: {},
  startMin: 0,
  sheetVersions: {},
  warnings: [],
};

/** Each caution with the steps that carry it, those of most steps first. */
function byCaution(steps: readonly Step[]): (readonly [string, readonly Step[]])[] {
  const cautions = [...new Set(steps.flatMap((step) => step.cautions))].filter(
    (caution) => caution !== GOVERNS,
  );
  return cautions
    .map((caution) => [caution, steps.filter((step) => step.cautions.includes(caution))] as const)
    .sort(([, a], [, b]) => b.length - a.length);
}
