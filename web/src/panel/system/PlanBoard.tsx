import { OWN, patchesOf, quoteOf, type DatedStart, type PanelView } from '@blue-ledge/core';
import { useMemo, useState } from 'react';
import type { PlanAsk } from '../../api/queries.ts';
import type { TimedPlan } from '../../api/timed-plan.ts';
import { SideDrawer } from '../../shared/dialog/SideDrawer.tsx';
import { PanelMap } from '../../shared/panel-map/PanelMap.tsx';
import { useCut } from '../../shared/panel-map/use-cut.ts';
import { ZoneList } from '../../shared/panel-map/ZoneList.tsx';
import { useSize } from '../../shared/use-size.ts';
import { CompareDialog } from './CompareDialog.tsx';
import { StepClock } from '../../clocks/StepClock.tsx';
import { OtherProducts } from './OtherProducts.tsx';
import { ReplanDialog } from './ReplanDialog.tsx';
import { SectionPanel } from './SectionPanel.tsx';
import { StepDetail } from './StepDetail.tsx';
import { StepList } from './StepList.tsx';
import { SystemCards } from './SystemCards.tsx';
import { sectionInput } from '../section-input.ts';
import { useSelection } from './use-selection.ts';

/** Width of the drawer that holds the map where there is no column for it, px. */
const MAP_DRAWER_PX = 420;

interface PlanBoardProps {
  readonly plan: TimedPlan;
  /** The panel as it was planned. */
  readonly view: PanelView;
  readonly isChoosing: boolean;
  /** Its record says what was done: nobody has to say it here. */
  readonly isBegun: boolean;
  readonly onChoose: (systemId: string) => void;
  /** Plans the rest from what was really done. */
  readonly onReplan: (changed: Pick<PlanAsk, 'done' | 'own'>) => void;
  /** Plans again with a product in place of others for the same work. */
  readonly onTake: (sheetId: string, inPlaceOf: readonly string[]) => void;
  /** Plans again from another day or hour. */
  readonly onStart: (start: DatedStart) => void;
  readonly onSchools: () => void;
  readonly onWhyNot: () => void;
}

/** A plan on screen: cards to compare, map, section with scrubber, and the steps. */
export function PlanBoard({
  plan: stored,
  view,
  isChoosing,
  isBegun,
  onChoose,
  onReplan,
  onStart,
  onTake,
  onSchools,
  onWhyNot,
}: PlanBoardProps) {
  const [isReplanning, setIsReplanning] = useState(false);
  const [isMapOpen, setIsMapOpen] = useState(false);
  const [isComparing, setIsComparing] = useState(false);
  const { chosen, wanted, opened } = stored;
  const plan = opened.view;
  const { zones, areaM2 } = view.panel;
  const [cut, setCut] = useCut(view.panel);
  const selection = useSelection(plan, chosen);
  const inputs = useMemo(
    () => new Map(plan.systems.map((system) => [system.id, sectionInput(plan.found, system, view, cut)])),
    [plan, view, cut],
  );
  const quotes = useMemo(
    () =>
      new Map(
        plan.systems.map(({ id, steps }) => [
          id,
          quoteOf({
            pours: opened.poursOf(id),
            steps,
            nameOf: (sheetId) => opened.sheetOf(sheetId)?.name ?? sheetId,
            shop: view.shop,
          }),
        ]),
      ),
    [plan, opened, view.shop],
  );
  const patches = useMemo(
    () => patchesOf(view.panel, view.shop.rules).filter(({ areaId }) => plan.found[areaId]),
    [view, plan],
  );
  const [mapBox, map] = useSize();
  if (!selection) return <NoSystem />;
  const { system, n } = selection;
  const zoneList = (
    <ZoneList
      zones={zones}
      patches={patches}
      panelAreaM2={areaM2}
      selected={selection.core}
      onSelect={selection.showCore}
    />
  );
  return (
    <div className="system-grid">
      <SystemCards
        systems={plan.systems}
        start={plan}
        timesBy={stored.timesBy}
        inputs={inputs}
        quotes={quotes}
        chosen={chosen}
        wanted={wanted}
        shown={system.id}
        isChoosing={isChoosing}
        onShow={selection.showSystem}
        onChoose={onChoose}
        onSchools={onSchools}
        onWhyNot={onWhyNot}
        onCompare={() => setIsComparing(true)}
      />
      <section className="pane system-map" aria-labelledby="system-map-head">
        <h2 id="system-map-head">Panel map</h2>
        <div ref={mapBox} className="map-box">
          {map.width > 0 && (
            <PanelMap
              panel={view.panel}
              width={map.width}
              height={map.height}
              patches={patches}
              selected={selection.core}
              onSelect={selection.showCore}
              cut={cut}
              onCut={setCut}
            />
          )}
        </div>
        {zoneList}
      </section>
      <SectionPanel input={inputs.get(system.id)!} selection={selection} onMap={() => setIsMapOpen(true)} />
      {isMapOpen && (
        <SideDrawer
          title="Panel map"
          size={MAP_DRAWER_PX}
          onClose={() => setIsMapOpen(false)}
          className="map-drawer"
        >
          <PanelMap
            panel={view.panel}
            width={MAP_DRAWER_PX - 48}
            height={MAP_DRAWER_PX - 48}
            patches={patches}
            selected={selection.core}
            onSelect={selection.showCore}
            cut={cut}
            onCut={setCut}
          />
          {zoneList}
        </SideDrawer>
      )}
      <section className="pane system-steps" aria-labelledby="steps-head">
        <StepList
          system={system}
          start={plan}
          timesBy={system.id === chosen ? stored.timesBy : 'plan'}
          isStartFixed={stored.plan.inputs.isStartFixed === true}
          n={n}
          onPick={selection.showStep}
          onStart={onStart}
        />
        <StepDetail
          system={system}
          n={n}
          start={plan}
          sheetOf={opened.sheetOf}
          clockOf={({ n: of }) => (
            <StepClock
              system={system}
              n={of}
              opened={opened}
              panel={{
                jobId: view.job.id,
                panelId: view.panel.id,
                panelName: view.panel.name,
                planId: stored.id,
                systemId: system.id,
                shop: view.shop,
              }}
            />
          )}
          otherProducts={(step) => (
            <OtherProducts
              key={`${system.id} ${step.n}`}
              planId={stored.id}
              systemId={system.id}
              step={step}
              onTake={onTake}
            />
          )}
          {...(system.verdict === 'ready' && !isBegun ? { onReplan: () => setIsReplanning(true) } : {})}
        />
      </section>
      {isComparing && (
        <CompareDialog
          systems={plan.systems}
          chosen={chosen}
          onClose={() => setIsComparing(false)}
          onShow={(id) => {
            setIsComparing(false);
            selection.showSystem(id);
          }}
        />
      )}
      {isReplanning && n > 0 && (
        <ReplanDialog
          // Its ticks belong to these steps: with another step, system or plan it begins anew.
          key={`${stored.id} ${system.id} ${n}`}
          steps={system.steps}
          n={n}
          acts={opened.actsOf(system.id)}
          onClose={() => setIsReplanning(false)}
          onPlan={(done) => {
            setIsReplanning(false);
            // What is left of a sequence of the person's own goes on as such.
            const left = system.id === OWN ? opened.actsOf(OWN).slice(n) : [];
            onReplan({ done, own: left.length > 0 ? { acts: left, fillsIn: true } : null });
          }}
        />
      )}
    </div>
  );
}

function NoSystem() {
  return (
    <div className="no-plan">
      <h2>No system for this panel</h2>
      <p>
        Every zone is stopped. What must happen first stands above; change the survey when it is done, and
        plan again.
      </p>
    </div>
  );
}
