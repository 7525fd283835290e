import type { PanelPlan } from '@blue-ledge/core';
import { Injectable } from '@nestjs/common';
import type { Transaction } from 'sequelize';
import { PlanRow } from '../database/rows.ts';
import type { PanelParams } from '../http/params.ts';
import { planOfBody } from './stored-plan.ts';

export interface StoredPlan {
  readonly id: string;
  readonly version: number;
  readonly chosen: string | null;
  readonly survey: string;
  readonly createdAt: Date;
  readonly plan: PanelPlan;
}

const storedOf = (row: PlanRow): StoredPlan => ({
  id: row.id,
  version: row.version,
  chosen: row.chosen,
  survey: row.survey,
  createdAt: row.createdAt,
  plan: planOfBody(row.body),
});

/** The only file that reads and writes plans; a plan's body is never changed, only which system is chosen. */
@Injectable()
export class PlansRepository {
  async latest({ job, panel }: PanelParams): Promise<StoredPlan | null> {
    const where = { jobId: job, panelId: panel };
    const row = await PlanRow.findOne({
      where,
      order: [
        ['createdAt', 'DESC'],
        ['id', 'ASC'],
      ],
    });
    return row && storedOf(row);
  }

  async byId(id: string, transaction: Transaction): Promise<StoredPlan | null> {
    const row = await PlanRow.findByPk(id, { transaction });
    return row && storedOf(row);
  }

  async insert(
    { job, panel }: PanelParams,
    plan: Pick<StoredPlan, 'id' | 'chosen' | 'survey' | 'plan'>,
    transaction: Transaction,
  ): Promise<StoredPlan> {
    const { id, chosen, survey, plan: body } = plan;
    return storedOf(
      await PlanRow.create({ id, jobId: job, panelId: panel, chosen, survey, body }, { transaction }),
    );
  }

  /** Writes where the version is still `from`; false when it is not. */
  async choose(id: string, chosen: string, from: number, transaction: Transaction): Promise<boolean> {
    const [nRows] = await PlanRow.update(
      { chosen, version: from + 1 },
      { where: { id, version: from }, transaction },
    );
    return nRows === 1;
  }
}
