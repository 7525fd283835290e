import {
  OP_LABELS,
  isKept,
  setUpOf,
  sideText,
  systemLike,
  type Fold,
  type JobSummary,
  type PlanView,
  type SchoolName,
  type SetUp,
  type Shop,
  type ShopThings,
} from '@blue-ledge/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Button, Select } from 'antd';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { ask, newKey } from '../api/http.ts';
import { panelPath, planQueryKey, useJobs, type PanelKey } from '../api/queries.ts';
import { useShopOfJob } from '../api/use-shop-of-job.ts';
import { Dialog } from '../shared/dialog/Dialog.tsx';
import { Problem } from '../shared/Problem.tsx';
import { nowHere } from '../state/now.ts';
import { useFormat } from '../state/units.ts';

interface RepeatDialogProps {
  /** The panel that went well, and its name. */
  readonly of: PanelKey;
  readonly name: string;
  readonly fold: Fold;
  readonly onClose: () => void;
}

/** Jobs among which another panel is looked for: the newest of those that are called so. */
const MOST_JOBS = 50;
const keyOf = (value: string): PanelKey => JSON.parse(value) as PanelKey;

/** Panels that could be done in the same way: planned or not, but not begun. */
function useOpenPanels({ job, panel }: PanelKey, text: string) {
  const { data } = useJobs({ text, which: 'open', offset: 0, limit: MOST_JOBS });
  const isOpen = (id: string, { id: other, state }: JobSummary['panels'][number]): boolean =>
    state !== 'begun' && state !== 'handed-over' && !(id === job && other === panel);
  return (data?.jobs ?? []).flatMap(({ id, title, panels }) => {
    const options = panels
      .filter((each) => isOpen(id, each))
      .map((each) => ({
        value: JSON.stringify({ job: id, panel: each.id }),
        label: `${each.name}, ${title}`,
      }));
    return options.length > 0 ? [{ label: title, options }] : [];
  });
}

/** The plan that another panel got, and whether it lays the same coats. */
interface Repeated {
  readonly isSameSystem: boolean;
  /** Products that its plan does not lay: not on that shelf, or nothing for that ground. */
  readonly notLaid: readonly string[];
}

/** Plans another panel with the schools and products of this one, and with its coats where that goes. */
function useRepeat(setUp: SetUp) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async (key: PanelKey): Promise<Repeated> => {
      const products = setUp.products.map(({ sheetId }) => sheetId);
      const body = { schools: setUp.schools, products, ...nowHere() };
      const made = await ask<PlanView>(`${panelPath(key)}/plans`, { method: 'POST', body, key: newKey() });
      const same = made.plan ? systemLike(setUp, made.plan) : undefined;
      if (same !== undefined && made.chosen !== same)
        await ask(`${panelPath(key)}/plans/${made.id}/choice`, {
          method: 'PUT',
          body: { systemId: same, evenIfChanged: false, version: made.version },
          key: newKey(),
        });
      await client.invalidateQueries({ queryKey: planQueryKey(key) });
      await client.invalidateQueries({ queryKey: ['job', key.job] });
      const worked = made.plan?.systems.find(({ id }) => id === (same ?? made.chosen));
      const laid = new Set(worked?.acts.map(({ sheetId }) => sheetId));
      return {
        isSameSystem: same !== undefined,
        notLaid: setUp.products.flatMap(({ sheetId, name }) => (laid.has(sheetId) ? [] : [name])),
      };
    },
  });
}

/** Set-ups of guns that the other shop does not keep yet. */
function newSetups(setUp: SetUp, { setups = [], guns = [] }: Shop, note: string): ShopThings['setups'] {
  const own = new Set(guns.map(({ id }) => id));
  const fresh = setUp.guns.filter(
    (each) => !isKept(setups, each) && (guns.length === 0 || own.has(each.gunId)),
  );
  return Object.fromEntries(
    fresh.map((each) => {
      const id = newKey();
      return [id, { ...each, id, note }];
    }),
  );
}

const MOST_NOTE = 200;

/** What a panel that went well was done with, taken over to another one. */
export function RepeatDialog({ of, name, fold, onClose }: RepeatDialogProps) {
  const { quantity } = useFormat();
  const [wanted, setWanted] = useState('');
  const [to, setTo] = useState<string | null>(null);
  const panels = useOpenPanels(of, wanted);
  const setUp = useMemo(() => setUpOf(fold), [fold]);
  const shop = useShopOfJob(to === null ? of.job : keyOf(to).job);
  const repeat = useRepeat(setUp);
  const { schools, coats, products, guns } = setUp;
  const sides = (Object.entries(schools) as [SchoolName, string][]).map(
    ([school, side]) => sideText(school, side).label,
  );
  const start = (): void => {
    if (to === null) return;
    const setups = shop ? newSetups(setUp, shop.shop, `from ${name}`.slice(0, MOST_NOTE)) : {};
    if (Object.keys(setups ?? {}).length > 0) shop!.change({ things: { setups } });
    repeat.mutate(keyOf(to));
  };
  const target = to === null ? null : keyOf(to);
  return (
    <Dialog
      title="Repeat this set-up"
      width={640}
      act={{
        label: 'Plan it like this',
        run: start,
        isBusy: repeat.isPending,
        isOff: to === null || repeat.isSuccess,
      }}
      onClose={onClose}
    >
      <dl className="repeat-what">
        <dt>Coats</dt>
        <dd>{coats.map((op) => OP_LABELS[op]).join(', ') || 'none was sprayed'}</dd>
        <dt>Products</dt>
        <dd>{products.map((product) => product.name).join(', ') || 'none was laid'}</dd>
        <dt>Ways to work</dt>
        <dd>{sides.length > 0 ? sides.join('; ') : 'as each shop has them'}</dd>
        <dt>At the gun</dt>
        <dd>
          {guns.length === 0
            ? 'nothing was written down: enter tip, pressure or reduction at the bench'
            : guns
                .map(({ sheetId, tipMm, reductionPercent, celsius }) => {
                  const product = products.find((each) => each.sheetId === sheetId)?.name ?? sheetId;
                  return `${product}: ${tipMm} mm, reduced ${reductionPercent} %, at ${quantity('Celsius', celsius)}`;
                })
                .join('; ')}
        </dd>
      </dl>
      <label className="field">
        <span>For which panel</span>
        <Select
          aria-label="For which panel"
          showSearch
          filterOption={false}
          searchValue={wanted}
          onSearch={setWanted}
          value={to}
          options={panels}
          placeholder="a panel that is not begun"
          notFoundContent="No open panel is waiting to be begun."
          onChange={(value: string) => {
            setTo(value);
            repeat.reset();
          }}
        />
      </label>
      {repeat.error && <Problem error={repeat.error} />}
      {repeat.isSuccess && target && (
        <p className="plan-done" role="status">
          {repeat.data.isSameSystem
            ? 'It is planned with the same coats. '
            : 'It is planned, but its ground does not take the same coats: its own best is chosen. '}
          {repeat.data.notLaid.length > 0 &&
            `Not laid there, for its ground or its shelf has nothing for it: ${repeat.data.notLaid.join(', ')}. `}
          <Link to={`/jobs/${target.job}/panels/${target.panel}/system`}>Open its plan</Link>
        </p>
      )}
    </Dialog>
  );
}

/** Opens the dialog where something was done here that could be repeated. */
export function RepeatButton({
  nDefects,
  ...of
}: Omit<RepeatDialogProps, 'onClose'> & { readonly nDefects: number }) {
  const [isOpen, setIsOpen] = useState(false);
  return (
    <p className="repeat">
      <Button onClick={() => setIsOpen(true)}>Repeat this set-up…</Button>
      <span className="note">
        {nDefects === 0
          ? 'Nothing went wrong here.'
          : `${nDefects === 1 ? 'One defect was' : `${nDefects} defects were`} found here.`}
      </span>
      {isOpen && <RepeatDialog {...of} onClose={() => setIsOpen(false)} />}
    </p>
  );
}
