import {
  areaTitle,
  readArea,
  filmVerdict,
  measuredBuild,
  type FilmVerdict,
  type ZoneBuild,
} from '@blue-ledge/core';
import { useFormat } from '../../state/units.ts';
import { usePanelContext } from '../panel-context.ts';
import { BudgetBar } from './BudgetBar.tsx';
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
  const zone = view.panel.zones.find(({ id }) => id === readArea(build.zoneId).zone);
  if (!zone) return null;
  const measured = measuredBuild(zone, build);
  const verdict = filmVerdict(build, measured);
  const isEnough = verdict.kind === 'enough' || verdict.kind === 'left';
  const { way, cycles, leftUm } = build.cycles;
  return (
    <>
      <section className="pane ladder-main film-view" aria-labelledby="film-head">
        <h2 id="film-head">
          {areaTitle(build.zoneId)}: film of {build.sheetName}
        </h2>
        <BudgetBar build={build} measured={measured} />
        <p className={isEnough ? 'passes' : 'fails'} role="status">
          {wordsOf(verdict, measured !== null, (um) => quantity('Um', um))}
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

/** The verdict in words. */
function wordsOf(verdict: FilmVerdict, isMeasured: boolean, say: (um: number) => string): string {
  const where = isMeasured ? ' at its thinnest reading' : '';
  switch (verdict.kind) {
    case 'enough':
      return `Enough: ${say(verdict.filmUm)} for the ${say(verdict.neededUm)} it needs.`;
    case 'short':
      return `${say(verdict.shortUm)} short of the ${say(verdict.neededUm)} it needs${where}: ${
        verdict.isAllowed
          ? `lay ${verdict.coats} more ${verdict.coats === 1 ? 'coat' : 'coats'}`
          : 'more than the sheet allows in one build, so block and build again'
      }.`;
    case 'left':
      return `Enough: ${say(verdict.leftUm)} left${where}, ${say(verdict.mustStayUm)} must stay.`;
    case 'thin':
      return `Too thin: ${say(verdict.leftUm)} left${where}, ${say(verdict.mustStayUm)} must stay. Build again there.`;
  }
}
