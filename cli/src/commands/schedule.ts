import {
  eveningOf,
  makePlan,
  makeSchedule,
  readHours,
  type DatedStart,
  type JobFile,
  type PanelOfShop,
  type Shop,
} from '@blue-ledge/core';
import { Command } from 'commander';
import { BadInput, numberFor, readJobFile } from '../input.ts';

/** The schedule of all panels of some jobs, in one shop. */

interface Options {
  readonly start: DatedStart;
  readonly technicians?: number;
  readonly booths?: number;
  readonly ovens?: number;
  readonly hours?: Span;
  readonly break: Span[];
  readonly days?: number[];
  readonly due: Due[];
}

interface Span {
  readonly from: string;
  readonly to: string;
}

interface Due {
  readonly id: string;
  readonly at: DatedStart;
}

const MOMENT = /^(\d{4}-\d{2}-\d{2})T([01]\d|2[0-3]):([0-5]\d)$/;

/** A moment by the shop's clock. @throws {BadInput} naming the option */
function momentIn(option: string, text: string): DatedStart {
  const [, startOn, hours, minutes] = MOMENT.exec(text) ?? [];
  const isDay = startOn !== undefined && new Date(`${startOn}T00:00:00Z`).toJSON()?.startsWith(startOn);
  if (!isDay) throw new BadInput(`--${option} must be a moment like 2026-12-07T08:00; got "${text}"`);
  return { startOn, startMin: Number(hours) * 60 + Number(minutes) };
}

const spanFor =
  (option: string) =>
  (text: string): Span => {
    const span = readHours(text);
    if (!span)
      throw new BadInput(`--${option} must be hours like 08:00-17:00, from before to; got "${text}"`);
    return span;
  };

const MONDAY = 1;
const SUNDAY = 7;

/** `1-5` or `1,2,4`: days of the week from Monday. */
function daysIn(text: string): number[] {
  const days = text.split(',').flatMap((part) => {
    const [from = NaN, to = from] = part.split('-').map(Number);
    return Array.from({ length: Math.max(1, to - from + 1) }, (_, i) => from + i);
  });
  if (!days.every((day) => Number.isInteger(day) && day >= MONDAY && day <= SUNDAY))
    throw new BadInput(
      `--days must be days of the week, 1 for Monday to 7, like 1-5 or 1,2,4; got "${text}"`,
    );
  return [...new Set(days)];
}

function dueIn(text: string, before: readonly Due[] = []): Due[] {
  const at = text.indexOf('=');
  if (at < 1)
    throw new BadInput(
      `--due must be a job or panel and a moment, like door=2026-12-09T17:00; got "${text}"`,
    );
  return [...before, { id: text.slice(0, at), at: momentIn('due', text.slice(at + 1)) }];
}

const MOST = { technicians: 40, booths: 20, ovens: 20 } as const;

const countFor =
  (option: keyof typeof MOST, least: number) =>
  (text: string): number => {
    const value = numberFor(option, '')(text);
    if (!Number.isInteger(value) || value < least || value > MOST[option])
      throw new BadInput(
        `--${option} must be a whole number from ${least} to ${MOST[option]}; got "${text}"`,
      );
    return value;
  };

/** The shop with what the command line says of its people and resources. */
function shopWith(shop: Shop, options: Options): Shop {
  const { technicians, booths, ovens, hours, days } = options;
  const named = shop.people ?? [];
  const count = technicians ?? Math.max(1, named.length);
  const people = Array.from({ length: count }, (_, i) => ({
    ...(named[i] ?? { name: `Technician ${i + 1}` }),
    id: String(i + 1),
    ...(hours ? { hours } : {}),
    ...(days ? { days } : {}),
    ...(options.break.length > 0 ? { breaks: options.break } : {}),
  }));
  const heaters = Array.from({ length: ovens ?? 0 }, (_, i) => ({
    id: String(i + 1),
    name: `Oven ${i + 1}`,
    kind: 'oven' as const,
    mostCelsius: 80,
  }));
  return {
    ...shop,
    people,
    ...(booths === undefined ? {} : { booths }),
    ...(ovens === undefined ? {} : { heaters }),
  };
}

/** When a panel is due: by the command line for it or its job, else by the end of the job's day. */
function dueOf({ job, shop }: JobFile, panelId: string, dues: readonly Due[]): DatedStart | undefined {
  const given =
    dues.find(({ id }) => id === `${job.id}/${panelId}` || id === panelId) ??
    dues.find(({ id }) => id === job.id);
  return given?.at ?? (job.dueOn ? eveningOf(job.dueOn, shop) : undefined);
}

function panelsOf(files: readonly JobFile[], dues: readonly Due[]): PanelOfShop[] {
  return files.flatMap((file) =>
    file.panels.map((panel) => ({
      jobId: file.job.id,
      panelId: panel.id,
      name: panel.name,
      plan: makePlan({ panel, shop: file.shop, target: file.job.target, sheets: file.sheets }),
      due: dueOf(file, panel.id, dues),
    })),
  );
}

function checkIds(files: readonly JobFile[], dues: readonly Due[]): void {
  const ids = files.map(({ job }) => job.id);
  const twice = ids.find((id, i) => ids.indexOf(id) !== i);
  if (twice) throw new BadInput(`job "${twice}" is in two of the files; give each file once`);
  const known = new Set(
    files.flatMap(({ job, panels }) => [job.id, ...panels.flatMap(({ id }) => [id, `${job.id}/${id}`])]),
  );
  const unknown = dues.find(({ id }) => !known.has(id));
  if (unknown)
    throw new BadInput(
      `--due "${unknown.id}" is no job or panel of the files; they have ${[...known].join(', ')}`,
    );
}

/** `schedule FILE... --start 2026-12-07T08:00`. */
export const scheduleCommand = (answer: (answer: unknown) => void, warn: (text: string) => void): Command =>
  new Command('schedule')
    .description('when everything is done: all panels of some jobs in one shop, no window broken in silence')
    .argument(
      '<files...>',
      'job files (*.ledge.json); people and resources are those of the first one’s shop',
    )
    .requiredOption('--start <moment>', 'by the shop’s clock, like 2026-12-07T08:00', (text) =>
      momentIn('start', text),
    )
    .option('--technicians <n>', 'people', countFor('technicians', 1))
    .option('--booths <n>', 'spray booths', countFor('booths', 0))
    .option('--ovens <n>', 'ovens and lamps; without one a booth bakes', countFor('ovens', 0))
    .option('--hours <from-to>', 'of everybody, like 08:00-17:00', spanFor('hours'))
    .option(
      '--break <from-to>',
      'of everybody; may be given again',
      (text, before: Span[]) => [...before, spanFor('break')(text)],
      [],
    )
    .option('--days <days>', 'of the week, 1 for Monday, like 1-5', daysIn)
    .option('--due <id=moment>', 'of a job or a panel; may be given again', dueIn, [])
    .action((paths: string[], options: Options) => {
      const files = paths.map(readJobFile);
      checkIds(files, options.due);
      const made = makeSchedule({
        shop: shopWith(files[0]!.shop, options),
        start: options.start,
        panels: panelsOf(files, options.due),
      });
      if (!made.ok) throw new BadInput(made.message);
      for (const { panelId, text } of [...made.schedule.waiting, ...made.schedule.warnings])
        warn(`${panelId ? `Panel ${panelId}: ` : ''}${text}\n`);
      answer(made.schedule);
    });
