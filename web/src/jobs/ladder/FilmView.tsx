import { type ZoneBuild } from '@blue-ledge/core';
import { useFormat } from '../../state/units.ts';
import { usePanelContext } from '../panel-context.ts';
import { BudgetBar } from './BudgetBar.tsx';
import { measuredBuild } from './measured-build.ts';
import { Readings } from './Readings.tsx';

const WAY_WORDS = {
  one: 'One build is enough.',
  two: 'One build cannot do it: build, block, and build again.',
  'glaze-first': 'Two builds cannot do it: glaze or fill the waves first.',
} as const;

/** The film budget of one build: what it has to be enough for, what the plan lays, and what a gauge found. */
export function FilmView({ build }: { readonly build: ZoneBuild }) {
  const { quantity } = useFormat();
  const { view } = usePanelContext();
  const zone = view.panel.zones.find(({ id }) => id === build.zoneId);
  if (!zone) return null;
  const measured = measuredBuild(zone, build);
  const { way, cycles, leftUm } = build.cycles;
  const { neededUm } = build.budget;
  const sprayed = measured?.after === 'build' ? measured.figures.leastUm : build.appliedUm;
  const short = neededUm - sprayed;
  return (
    <>
      <section className="sheet ladder-main film-view" aria-labelledby="film-head">
        <h2 id="film-head">
          Zone {build.zoneId}: film of {build.sheetName}
        </h2>
        <BudgetBar build={build} measured={measured} />
        <p className={short > 0.5 ? 'fails' : 'passes'} role="status">
          {short > 0.5
            ? `${quantity('Um', short)} short of the ${quantity('Um', neededUm)} it needs${measured?.after === 'build' ? ' at its thinnest reading' : ''}: ${moreCoats(short, build)}.`
            : `Enough: ${quantity('Um', sprayed)} for the ${quantity('Um', neededUm)} it needs.`}
        </p>
        <div className="cycles">
          <h3>Coats and cycles</h3>
          <p>{WAY_WORDS[way]}</p>
          <ol>
            {cycles.map(({ coats, filmUm }, i) => (
              <li key={i}>
                {i > 0 && 'After blocking: '}
                {coats} {coats === 1 ? 'coat' : 'coats'} of {quantity('Um', build.perCoatUm)},{' '}
                {quantity('Um', filmUm)} together, inside the sheet’s {quantity('Um', build.maxUm)}.
              </li>
            ))}
          </ol>
          {leftUm > 0 && <p className="fails">{quantity('Um', leftUm)} of waves are left even then.</p>}
        </div>
      </section>
      <Readings zone={zone} build={build} />
    </>
  );
}

function moreCoats(shortUm: number, { appliedUm, perCoatUm, maxUm }: ZoneBuild): string {
  const coats = Math.ceil(shortUm / perCoatUm);
  return appliedUm + coats * perCoatUm > maxUm
    ? 'more than the sheet allows in one build, so block and build again'
    : `lay ${coats} more ${coats === 1 ? 'coat' : 'coats'}`;
}
