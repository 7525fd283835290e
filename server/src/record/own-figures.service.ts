import {
  ownFigures,
  readEntries,
  type NewEntry,
  type OwnFiguresView,
  type OwnSample,
  type PlanTask,
} from '@blue-ledge/core';
import { Injectable } from '@nestjs/common';
import { Database, type Read } from '../database/database.ts';
import type { PanelParams } from '../http/params.ts';
import { notFound } from '../http/problem.ts';
import { panelView } from '../jobs/jobs.service.ts';
import { PlannerService } from '../planning/planner.service.ts';
import { PlansReader } from '../plans/plans.repository.ts';
import { ShopsReader } from '../shops/shops.repository.ts';
import { utcOffsetOf } from './past.ts';
import { RecordReader, type WorkedPanel } from './record.repository.ts';

/** Work of a year or two: older figures are of another shop. */
const MOST_PANELS = 300;
/** Samples of panels that are kept: those of several shops. */
const MOST_KEPT = 1000;

interface Ground {
  readonly task: PlanTask;
  readonly record: readonly NewEntry[];
  readonly utcOffsetMin: number;
}

interface Kept {
  readonly mark: string;
  readonly samples: readonly OwnSample[];
}

/** A shop's own figures, from what was written at its bench. Records only grow: what one said is kept until it has more. */
@Injectable()
export class OwnFiguresService {
  private readonly kept = new Map<string, Kept>();

  constructor(
    private readonly database: Database,
    private readonly planner: PlannerService,
  ) {}

  async of(shopId: string, gone: AbortSignal): Promise<OwnFiguresView> {
    const { shop, worked } = await this.database.read(async (tx) => ({
      shop: await new ShopsReader(tx).byId(shopId),
      worked: await new RecordReader(tx).workedIn(shopId),
    }));
    if (!shop) throw notFound(`Shop "${shopId}"`);
    const looked = worked.slice(0, MOST_PANELS);
    const samples: OwnSample[] = [];
    for (const panel of looked) samples.push(...(await this.samplesOf(panel, shopId, gone)));
    return {
      figures: ownFigures(samples, shop.shop),
      nPanels: looked.length,
      nLeftOut: worked.length - looked.length,
    };
  }

  private async samplesOf(
    panel: WorkedPanel,
    shopId: string,
    gone: AbortSignal,
  ): Promise<readonly OwnSample[]> {
    const name = JSON.stringify([panel.job, panel.panel]);
    const mark = `${panel.nEntries} ${panel.lastAt}`;
    const known = this.kept.get(name);
    if (known?.mark === mark) return known.samples;
    const { job, panel: id } = panel;
    const ground = await this.database.read((tx) => groundOf(tx, { job, panel: id }, shopId));
    const samples = await this.planner.samples(ground, gone);
    if (this.kept.size >= MOST_KEPT) this.kept.delete(this.kept.keys().next().value!);
    this.kept.set(name, { mark, samples });
    return samples;
  }
}

/** What a panel was worked by: the plan that it has, else its survey as it is now. */
async function groundOf(tx: Read, key: PanelParams, shopId: string): Promise<Ground> {
  const entries = await new RecordReader(tx).entries(key);
  const ground = { record: readEntries(entries), utcOffsetMin: utcOffsetOf(entries) };
  const plan = await new PlansReader(tx).latest(key);
  if (plan?.plan) return { ...ground, task: plan.plan.inputs };
  const { panel, shop, target } = await panelView(tx, key);
  return { ...ground, task: { panel, shop, target, sheets: await new ShopsReader(tx).sheets(shopId) } };
}
