import {
  brokenWords,
  matchCard,
  openPlan,
  ownFigures,
  ownSamples,
  makePlan,
  plannedBesideDone,
  readEntries,
  recordHeadOf,
  recordOfPanel,
  trueState,
  verifyChain,
  type JobFile,
} from '@blue-ledge/core';
import { Command } from 'commander';
import { BadInput, numberFor, panelOf, readJobFile } from '../input.ts';

/** The record that panels of a job file carry: whether it is whole, and what it says of the panel. */

const chainsOf = ({ panels }: JobFile) =>
  panels.map((panel) => ({
    panelId: panel.id,
    ...verifyChain(recordOfPanel(panel), recordHeadOf(panel)),
  }));

/** Why a card was made of none of the records; null where it was of one. @throws {BadInput} for what is no code */
function otherThanCard({ panels }: JobFile, code: string): string | null {
  const matches = panels.map((panel) => ({ id: panel.id, match: matchCard(recordOfPanel(panel), code) }));
  if (matches.some(({ match }) => match === null))
    throw new BadInput(`--card "${code}" is no code of a card: it looks like 23-0a1b2c3d4e5f`);
  if (matches.some(({ match }) => 'nEntries' in match!)) return null;
  return matches.map(({ id, match }) => `${id}: card ${code}: ${(match as { why: string }).why}`).join('\n');
}

interface VerifyOptions {
  readonly card?: string;
}

/** `record verify FILE [--card CODE]`: exit 2 where a chain is broken or cut short; the answer says where. */
const verifyCommand = (answer: (answer: unknown) => void): Command =>
  new Command('verify')
    .description('check the chain of every panel’s record')
    .argument('<file>', 'job file (*.ledge.json)')
    .option('--card <code>', 'code of a hand-over card that one of the records must have been made into')
    .action((file: string, { card }: VerifyOptions) => {
      const job = readJobFile(file);
      const panels = chainsOf(job);
      const other = card === undefined ? null : otherThanCard(job, card);
      answer({ panels, ...(card === undefined ? {} : { isOfCard: other === null }) });
      const wrong = panels.flatMap(({ panelId, firstBroken }) =>
        firstBroken ? [`${panelId}: ${brokenWords(firstBroken)}`] : [],
      );
      if (other !== null) wrong.push(other);
      if (wrong.length > 0) throw new BadInput(wrong.join('\n'));
    });

interface StateOptions {
  readonly panel?: string;
  readonly system?: string;
  readonly utcOffset?: number;
}

/** `record state FILE --panel ID [--system ID]`: the panel as the record leaves it, and the plan beside it. */
const stateCommand = (answer: (answer: unknown) => void, warn: (text: string) => void): Command =>
  new Command('state')
    .description('the true state of a panel: its record folded over its survey')
    .argument('<file>', 'job file (*.ledge.json)')
    .option('--panel <id>', 'panel of the job; its first where not given')
    .option('--system <id>', 'system of the plan that it is compared with; the chosen one where not given')
    .option(
      '--utc-offset <min>',
      'by how much the shop’s clock is ahead of UTC',
      numberFor('utc-offset', 'min'),
    )
    .action((file: string, { panel: panelId, system, utcOffset }: StateOptions) => {
      const job = readJobFile(file);
      const panel = panelOf(job, panelId);
      const { shop, sheets } = job;
      const record = recordOfPanel(panel);
      if (!verifyChain(record).intact)
        warn('The chain of this record is broken: `ledge record verify` says where.\n');
      const task = { panel, shop, target: job.job.target, sheets };
      const { zones, clockMin, windows, steps, broken, problems } = trueState(
        task,
        readEntries(record),
        utcOffset === undefined ? {} : { utcOffsetMin: utcOffset },
      );
      for (const problem of problems) warn(`${problem}\n`);
      const { view } = openPlan(makePlan(task));
      const systemId = system ?? view.chosen;
      const planned = view.systems.find(({ id }) => id === systemId);
      if (system !== undefined && !planned)
        throw new BadInput(`--system must be one of ${view.systems.map(({ id }) => id).join(', ')}`);
      answer({
        panelId: panel.id,
        zones,
        clockMin,
        windows,
        plannedAgainstDone: plannedBesideDone(planned?.steps ?? [], steps),
        broken,
        problems,
      });
    });

/** `record figures FILE`: what the records of all panels of a job say of the figures of their shop. */
const figuresCommand = (answer: (answer: unknown) => void): Command =>
  new Command('figures')
    .description('the shop’s own figures, from what was really written down')
    .argument('<file>', 'job file (*.ledge.json)')
    .action((file: string) => {
      const { panels, shop, job, sheets } = readJobFile(file);
      const samples = panels.flatMap((panel) =>
        ownSamples({ panel, shop, target: job.target, sheets }, readEntries(recordOfPanel(panel))),
      );
      answer({ figures: ownFigures(samples, shop) });
    });

export const recordCommand = (answer: (answer: unknown) => void, warn: (text: string) => void): Command =>
  new Command('record')
    .description('the record of what was done')
    .addCommand(verifyCommand(answer))
    .addCommand(stateCommand(answer, warn))
    .addCommand(figuresCommand(answer));
