import type { Facts } from '../units/facts.ts';

/**
 * Every sentence that core says to a person, by code. `{name}` is a fact; its unit is the end of its name.
 * Rules and operations carry codes and facts only, so that a sentence can be said again in the reader's units.
 */
export const SENTENCES = {
  // operations
  'op.nothing-to-block': 'There is no primer of ours on top to block.',
  'op.nothing-to-fill': 'There is no dent to fill.',
  'op.grade-order': '{grit} after {before} is not finer; grades go from coarse to fine.',
  'op.no-stripper': 'Paint stripper is for finish on metal; there is none here.',
  'op.no-blasting': 'Only metal is blasted.',
  'op.no-heat': 'There is no oven or lamp in this shop.',
  'op.nothing-to-mend': 'Nothing is broken here.',
  'op.no-end':
    'What this step needs asks for itself again after {steps} steps: no order of work on this shelf meets it.',
  'op.rust-under': 'Rust lies under {layer}, not on bare metal: open it first.',
  'op.not-bare': 'That is done on bare metal; take off what lies on it first.',
  'op.nothing-to-warm': 'There is no dent in plastic to be warmed out.',
  'coat.not-over': 'The sheet of {sheet} does not allow it over {layer}.',
  'coat.film': '{perCoatUm} dry a coat, at most {maxUm} in all.',
  'coat.budget':
    'Film budget: {staysUm} stays, {wavesUm} waves, {peelUm} peel, {ladderUm} for the grits: {neededUm}, so {coats} coats of {perCoatUm}.',
  'coat.budget-short':
    'Film budget asks for {neededUm}; there is room for {maxUm}: {coats} coats, and what they do not level is seen once they are blocked.',
  'coat.volume': 'Mix {ratio}, {volumeMl} ready to spray at {transferPercent} transfer.',
  'coat.volume-by-hand': '{ratio}: {volumeMl} on the panel, and what is left in the pot.',
  'coat.small-gun': 'No more than {smallM2} together: the small gun, {setUpMin} to set it up and clean it.',
  'coat.spray-can':
    'Out of a spray can: {canMin} to shake each, {cans} in all; nothing is mixed and no gun cleaned.',
  'coat.by-brush':
    'By brush: {setUpMin} to pour out and clean up, {spotMin} a spot and coat; no gun is set up.',
  'coat.too-large-for-can':
    '{sheet} comes out of a spray can: that is for up to {mostM2}, and this is {areaM2}.',
  'coat.too-large-for-brush':
    '{sheet} goes on by brush: where it shows, that is for bare spots up to {mostMm}.',
  'coat.too-large-for-brush-inside':
    '{sheet} goes on by brush: also where nobody looks, that is for up to {mostM2}, and this is {areaM2}.',
  'coat.flash': '{betweenMin} between coats: sheet {sheetMin}, at {roomCelsius} in this air.',
  'coat.usual': '{coats} coats: what the sheet asks for to seal the surface.',
  'coat.sealer-coats': '{coats} coat the shop’s way; {wetUm} wet stays under the sag limit of {limitUm}.',
  'coat.sealer-level': '{coats} coat the shop’s way; on a level panel nothing sags.',
  'coat.tone-hides':
    'Grey {toneL} (0 is black, 100 white): over it the base hides in the fewest coats, {coats}, by its hiding card.',
  'coat.tone':
    'Grey {toneL}, the nearest on the shelf to a base as light as grey {baseL} (0 is black, 100 white).',
  'body.grams': 'About {fillerGrams} to mix, what stays on board and knife included.',
  'body.depth': '{deepestUm} deep in {lifts} lift, at most {maxUm}.',
  'body.sand-after': 'Sands after {sandAfterMin}.',
  'body.skins-after': 'Left alone until it has skinned, {skinsAfterMin}: then it may be touched and coated.',
  'flash.climate': '{waitMin} still to go at {roomCelsius} in {air}.',
  'cure.air':
    '{name}: {waitMin} to 90 % cure at {roomCelsius} by day and {nightCelsius} at night; the sheet asks for at least {sheetMin}.',
  'cure.bake': '{name}: {waitMin} under heat, panel at {bakeCelsius}, heating up and cooling down included.',
  'cure.cold-night':
    'Nothing cures at {nightCelsius}, the sheet asks for {minCelsius}: only the hours of the days count.',
  'cure.morning':
    'Spray it in the morning, so that it is through by evening: the night is {nightCelsius}, {marginKelvin} above dew point.',
  'cure.not-at-night':
    'Under heat, and not through the night: that is {nightCelsius}, {marginKelvin} above dew point.',
  'cure.found': 'A found film that a thumbnail marks gets {waitMin}; press it again before it is sanded.',
  'ladder.buy': 'The shop keeps no {grit} that fits here: buy {grit}.',
  'ladder.jump':
    'From {from} to {grit} is {ratio} times the grain, more than {jump}: raking light, and look twice.',
  'sand.minutes': '{grit} takes up to {takenUm} off in {handsOnMin}.',
  'block.grade':
    '{grit} takes the least minutes to block level and on to the last grit, with no jump over {jump} times the grain.',
  'sand.metal': '{grit} over bare metal, {handsOnMin}.',
  'strip.minutes': '{handsOnMin} at the rate of P80 by machine through what lies there.',
  // metal
  'M1.bare': '{sheet} does not protect {layer}; bare metal needs a corrosion-resisting first coat.',
  'M1.reduced':
    '{sheet} of {filmUm} is a sealer: it protects {layer} on small spots only. A full first coat goes on before it.',
  'M1.thin':
    '{coats} of the {fullCoats} coats that the sheet of {sheet} asks for: metal shows through until the next is on.',
  'M1.left-bare': '{layer} would be handed over bare.',
  'M1.spots':
    'Rubbed through {spotMm} wide ({count} in all, {sharePercent} of the panel): more than a sealer or build may cover ({limitMm}, {limitPercent}).',
  'M2.found-bare':
    'Nobody knows how long this metal has been bare; abrade it fresh and coat within {limitMin}.',
  'M2.window': 'Bare metal: coat within {closesMin}; past it, {thenWhat}.',
  'M2.sections':
    'In {sections} sections of about {sectionM2}: each is abraded, wiped and coated before the next is begun.',
  'M2.tight': 'Bare for {exposedMin} of {limitMin} when the first coat goes on: little time to spare.',
  'M2.exposed': 'Bare for {exposedMin}, limit {limitMin}: abrade and clean again.',
  'M3.dew': 'Only {marginKelvin} above dew point, {limitKelvin} needed: warm the panel or dry the air.',
  'M3.night':
    '{sheet} would lie uncured through a night of {nightCelsius}, {marginKelvin} above dew point; {limitKelvin} are needed.',
  'M3.temperature': '{sheet} is sprayed from {minCelsius} to {maxCelsius}; the shop is at {roomCelsius}.',
  'M3.humidity': '{sheet} allows {maxPercent} humidity; the shop has {roomPercent}.',
  'M4.grade': 'Found {found}; {layer} is abraded {grit} under its first coat.',
  'M4.aluminium':
    '{layer} is abraded {grit} with abrasives of its own before its first coat (found {found}).',
  'M4.unsanded': '{layer} is abraded {grit} before its first coat.',
  'M5.surface': 'Surface rust comes off to bright metal.',
  'M5.under': 'Rust under {layer}: open it until bright metal shows all round.',
  'M5.blast': 'Pitted rust is blasted to white metal.',
  'M5.pitted': 'Pits hold rust that no disc reaches: conditioner, rinsed and dried, or blasting.',
  'M5.condition': 'Kept wet for {dwellMin}, then rinsed and dried at once.',
  'M5.acid': 'What the conditioner left is sanded off {grit} before anything goes on.',
  'M5.acid-left': 'Acid of the conditioner is still on it: sand it off.',
  'M5.both-faces':
    'Look behind: where the inner face or a folded lip can be reached, its rust comes off too, it is primed in the same go, and the fold is sealed again.',
  'M5.through': 'Rusted through: weld in sound metal, then plan again.',
  'M5.broken': 'A {damage} in the metal: weld it shut, then plan again.',
  'M6.filler': 'Acid etch and filler do not go together: the acid stays active under or over it.',
  'M6.under-epoxy': 'No epoxy over acid etch unless both sheets say so.',
  'M6.spots-only': 'Etch is for spots: this is {sharePercent} of the panel, limit {limitPercent}.',
  'M6.uncovered': 'Etch must be covered by another primer or sealer.',
  'M1.through':
    'Sanded through to {layer} in the repair: epoxy or direct-to-metal build goes on the spot before sealer.',
  'M1.rim':
    'Around the filler a rim of metal is bare: epoxy or direct-to-metal build goes on it before anything else.',
  'M1.joint': 'The joint is open: seal it, or water creeps under the coats.',
  'M1.no-seam': 'A joint lies open and no seam sealer on the shelf goes over {layer}: add its sheet.',
  'M7.blast':
    'Blasting a large flat panel warps it: blast seams and crevices only, strip the flat chemically.',
  'M7.sand':
    'Stripping a large flat panel at {grit} by machine heats and warps it: keep moving, or strip it chemically.',
  'M8.score': 'Score the finish {grit} first, so that the stripper gets in.',
  'M8.mask':
    'Tape off before stripper goes on, {marginMm} clear of edges and gaps, so that it does not reach the good side.',
  'M8.how':
    'Lay it on thick, {marginMm} off the edges, cover with film, out of the sun; look after 25 min, scrape, sand off what stays.',
  'M8.dwell': '{dwellMin} under film each time; applications for the film that lies there: {times}.',
  'M8.neutralise': 'Stripper is neutralised and washed off as its sheet says before anything else.',
  'M9.gloves': 'Gloves from this clean on: a fingerprint is salt and grease.',
  'M10.blast': 'Blasting takes the zinc off.',
  'M10.cut': '{grit} cuts through the zinc; nothing coarser than {limit} there.',
  'M10.filler': 'The sheet of {sheet} does not allow filler on zinc: epoxy first.',
  'M10.kept': 'Nobody knows whether this filler may lie on zinc: its sheet has to say so.',
  // filler
  'F1.uncured': 'Filler goes over cured {layer} only.',
  'F1.key': 'Filler wants {layer} abraded {grit} (found {found}).',
  'F1.glaze-key': 'Glaze wants {layer} abraded {grit} (found {found}).',
  'F2.over': 'Filler never lies over {layer}: it is ground away under the dent first.',
  'F2.soluble': 'Glaze on {layer} that thinner softens lifts it: it is sanded off there first.',
  'F2.found': 'Body work that was found lies on what lets go of it: it is ground out.',
  'F3.deep': '{depthMm} of filler, at most {maxMm}: metalwork first.',
  'F3.deep-plastic':
    'A dent of {depthMm} is deeper than warmth or paste takes out ({maxMm}): press it out from behind, warm, or replace the part; then enter the depth that is left.',
  'F3.deep-composite':
    'A hollow of {depthMm}, and filler goes {maxMm} deep at most: build it up with resin and cloth first; then enter the depth that is left.',
  'F4.hardener':
    'Hardener {usualPercent} by mass, from {fromPercent} to {toPercent}: too little never cures, too much stains.',
  'F5.water': 'Open filler takes up water: blow it off and wipe it with solvent cleaner.',
  'F5.wet': 'Filler takes up water: sand it dry.',
  'F6.grade':
    '{body} is finished {grit} before primer (found {found}): {sinkFineUm} of its scratch sinks back, {limitFineUm} may.',
  'F6.first':
    'Filler beside it is glazed, shaped and finished {grit} first: its dust would lie in fresh primer.',
  'F7.pinholes': 'Open the pinholes, blow them out and glaze them before primer.',
  'F7.under': 'Pinholes under {layer}: it is sanded off there, so that they can be opened and glazed.',
  'F7.joint': 'Pinholes in the sealed joint are closed with sealer.',
  'F7.no-glaze': 'Pinholes need glaze and there is none on the shelf: add a glaze sheet.',
  'F7.thick': 'Glaze of {glazeUm} is more than {maxUm}.',
  // old finish and new parts
  'O0.wax': 'Release agent is still on it: wipe it off.',
  'O0.overspray': 'Overspray is still on it: sand it off.',
  'O0.mark': 'A mark from below shows through it: sand down to the layer at fault.',
  'O0.mark-cure':
    'Let it cure fully before base: a mark from below shows again while the build still shrinks.',
  'O0.mark-build':
    'A mark from below was sanded out of it: build goes over it, and cures fully, before base.',
  'O0.hollow': 'A dent of {lowFineMm} is still there: fill it before it is handed over.',
  'O0.unsound': 'Unsound {layer} lets go of all that lies on it: it comes off.',
  'O0.flaw': 'The {layer} has a flaw: it is sanded out, once it is hard, before anything goes over it.',
  'O0.nibs': 'Dust lies in the {layer}: the nibs come off before anything goes over it.',
  'B3.never':
    'The {layer} was mixed so that it never cures: it is scraped off and washed off with its own thinner, then sanded to what is sound.',
  'S4.uneven':
    'The tone of the {layer} is uneven, and base would show it: it is coated once more, in one tone.',
  'F4.bleeds':
    'Too much hardener in the filler stains all that lies on it: it is ground out and filled again.',
  'O0.break': 'It is still broken: mend it before anything covers it.',
  'O0.rough-ordered': 'Chip guard was ordered here: it is laid before the last coat.',
  'O0.rough-coat': 'The rough coat that was there is laid again over the primer.',
  'O1.local': 'Unsound finish on {sharePercent} of the panel: it comes off here, to a sound edge.',
  'O1.panel':
    'Unsound finish on {sharePercent} of the panel, more than {limitPercent}: strip the whole panel.',
  'O1.thick': 'Film of {filmUm} is more than {limitUm}: it comes off.',
  'O2.isolate':
    '{layer} softens under thinner: strip it, or isolate it with two coats of unreduced epoxy first.',
  'O2.isolated':
    'Isolated, not removed: a thinner-soft paint that stays can still lift at the first wet coat.',
  'O2.wet': '{wetUm} wet over isolated thinner-soft paint, {limitUm} at most: lighter coats, or it lifts.',
  'O2.strip': 'Thinner-soft paint is stripped, so that nothing under the new coats can soften.',
  'O3.degrease': 'Grease is taken off before sanding, or it is sanded in.',
  'O4.feather-chip':
    'The edges of these chips are feathered {slopeMm} in all; primer reaches {overlapMm} past it and stops in an open edge.',
  'O4.feather':
    'The edge of the old finish is feathered {slopeMm} a layer; primer reaches {overlapMm} past it and stops in an open edge.',
  'O4.together': 'All raw edges are feathered before fresh primer stands beside their dust.',
  'O5.heavy': 'A heavy first coat lifts feathered edges.',
  'O5.light': 'First coat light: feathered edges lift first.',
  'N1.leave': 'Sound e-coat stays unsanded: the factory dip is the best corrosion layer there is.',
  'N1.scuff': 'E-coat is scuffed {grit} all over: a mechanical key everywhere.',
  'N1.sheet': '{sheet} wants e-coat scuffed {grit}.',
  'N2.rub':
    'A maker’s primer of unknown kind is rubbed with thinner first: if it softens, strip or isolate it and plan again.',
  'N3.cut-through':
    'Cut through to {layer} {spotMm} wide ({count} in all): more than this coat may cover ({limitMm}, {limitPercent}). Prime it as bare metal.',
  'N3.uncovered': 'Cut-throughs that are still bare: {count}.',
  // plastic
  'P1.dressing': 'Dressing is washed off deep and twice: silicone lets nothing hold.',
  'P1.static': 'Plastic cleaner of the alcohol type takes grease and static off; wiped dry in one direction.',
  'P2.temper': 'A raw new moulding is tempered to sweat out release agent, and wiped with a soaked fine pad.',
  'P3.smooth': 'Smooth plastic is keyed {from}, then {grit} (found {found}).',
  'P3.pad': 'Smooth plastic is dulled all over with a fine pad soaked in cleaner.',
  'P3.keep': 'The texture stays: no sanding, only pad and cleaner.',
  'P3.no-build': 'Build would fill the texture that is to stay: promoter and thin coats.',
  'P4.promote': '{layer} gets an adhesion promoter, and the next coat within {closesMin}.',
  'P4.closed': 'The promoter’s window of {closesMin} has closed: promote again.',
  'P4.closes':
    'The promoter’s window of {closesMin} closes while others are promoted: promote all of it together.',
  'P4.no-promoter':
    'Nothing holds on {layer} without a promoter and there is none on the shelf: add its sheet.',
  'P5.additive': 'A flexible part: {flexPercent} of flexible additive in this coat, by the sheet.',
  'P5.no-additive': 'The sheet of {sheet} names no flexible additive, and {layer} bends: it would flake.',
  'P5.soft': 'No rigid two-pack on {layer}: it would crack at the first bend.',
  'P6.temper': '{bakeCelsius} on the part, supported so that it keeps its shape; never over {mostCelsius}.',
  'P7.slides':
    'Tape slides off: too low in energy, or still contaminated. Do not paint until that is solved.',
  'P7.tape': 'Unknown plastic: masking tape on the cleaned part first; if it slides off, stop.',
  'P8.edges': 'Hidden edges and backs that will catch paint are dulled by pad too: peeling starts there.',
  'P8.spray': 'Hidden sides first; small parts hang or stand on edge.',
  'P9.bare': 'The {layer} around the break is sanded off on both sides, so that paste holds on plastic.',
  'P9.mend': 'A {damage} of {lengthMm} is repaired before anything is sprayed.',
  'P9.primed':
    '{finding} in a primed part: sand the primer off around it, find out which plastic it is, and survey it again.',
  'P9.no-paste': 'A {damage} of {lengthMm} needs a repair paste for plastic: add its sheet.',
  'P9.grind':
    'Both sides of the break are ground {grit}, slowly so that nothing melts, and feathered; the end of a crack is drilled, and the crack opened to a V.',
  'P9.how': 'Loose material away, a backing patch behind, front and back filled in one wet session.',
  'P10.mode': 'Wet-on-wet in its plastic mode: additive in place of thinner, 5 to 10 % thinner for flow.',
  'heat.most': '{layer} bears {mostCelsius}, the bake is {bakeCelsius}: cure it in air or cooler.',
  // fiberglass
  'GP1.wax': 'Release wax comes off with solvent cleaner before anything is sanded: it would be sanded in.',
  'GP2.cloth': '{grit} goes into the cloth; nothing coarser than {limit} there.',
  'GP2.bare': 'Through the {layer} along each break to sound laminate, not into the cloth.',
  'GP2.mend': 'The laminate is broken: resin and cloth first, then glaze and primer.',
  'GP5.cover': 'Glass dust: extraction on, sleeves and collar closed.',
  'GP3.look': 'Look for pinholes again under the first primer: open, glaze and level what shows.',
  'GP4.etch': 'No acid etch on {layer}: epoxy or two-pack build.',
  // build
  'B1.sound': 'Sound, level finish is built over as well: film that nobody needs there.',
  'B1.block': 'Fresh {layer} is blocked level: {ledgeUm} uneven, {quality} allows {limitUm}.',
  'B1.ledge':
    'Not level: a step of {ledgeUm} is left in {layer} (a ledge that the finger finds and light shows), {quality} allows {limitUm}.',
  'B1.thin': '{layer} is {lackUm} too thin to be blocked and sanded: another build coat first.',
  'B1.peel': 'Orange peel of {ledgeUm} in {layer}, {quality} allows {limitUm}.',
  'K3.low': 'A dent of {lowFineMm} is deeper than build can level ({canLevelUm}): fill it first.',
  'K3.glaze':
    'A low of {lowFineMm} is deeper than build levels ({canLevelUm}): it is glazed first, nothing is opened.',
  'B2.block-first':
    'Fresh {layer} is as thick as its sheet allows, and not level yet: it is blocked before it is built up again.',
  'B2.maximum': '{sheet} would be {filmUm} thick, at most {maxUm}.',
  'B2.one-film':
    'On {layer} that has not cured they dry as one film of {filmUm}, at most {maxUm}: let it cure first.',
  'B2.lifts': '{layer} is past its flash and not through: what goes on now lifts it. Wait {leftMin} more.',
  'B2.flash': '{layer} flashes for {leftMin} more before anything touches it.',
  'B4.tip': 'Fluid tip {tip}; a smaller one only with 10 to 20 % reduction and the film computed again.',
  'B5.glaze': 'Pinholes and deep marks that show now are glazed, levelled P320 and spot primed.',
  'B3.soft':
    'The found film still takes the mark of a thumbnail: it is given time before it is sanded or covered.',
  'B3.uncured': '{layer} is not cured: {leftMin} to go before sanding.',
  'K1.first': 'Guide coat before the first block: dust stays in the lows.',
  'K1.finer': 'Guide coat again before the finer grit, and raking light.',
  'K2.fingertips': 'Block with a block, not by {tool}: fingertips dig grooves.',
  'K2.high': 'What stands proud is brought down at the metal, never hidden under filler.',
  'K2.high-under': 'Under {layer} something stands proud: open it, then bring the metal down.',
  'K2.high-stop': '{layer} that stands proud is brought back to its shape first, then plan again.',
  'K2.high-body': 'Filler that stands proud is cut down to the shape.',
  'K2.lines':
    'Body lines: {lines}. Block up to each from its own side, tape on the other side, never across.',
  'K2.crossed':
    'A body line runs through {zones}: block up to it from each side, tape on the other side, never across.',
  'K3.thin':
    'Blocking and the last sanding would leave {leftUm}, {staysUm} must stay: glaze the low and build again.',
  'K4.grain': 'Grain that stays is dulled by fine pad and paste, not sanded.',
  'K4.edges':
    'Edges and recesses of the old finish are dulled by pad: where shine is left, clear peels first.',
  'K4.shine': 'Shine left on {layer}: {grit} all over, edges and recesses by pad.',
  'K4.key': '{layer} is keyed {grit} for what comes on it (found {found}).',
  'K4.telegraph':
    'A {found} scratch in {layer} would leave {nowFineUm} in the {plane} plane; {grit} leaves {grooveFineUm}, limit {limitFineUm}.',
  'K4.no-grade': 'No grade that {coat} allows on {layer} stays invisible at this quality.',
  'K4.too-fine': '{found} on {layer} is finer than the next sheet allows ({finest}): it would not hold.',
  'K5.order': 'Sound areas are sanded and wiped before the dust of primer flies, and covered while it does.',
  'K5.dull-first': 'Dulled and cleaned first: nothing is sanded beside a fresh coat.',
  'K5.beside': 'Not beside {layer} on {zone} that may not be sanded yet: dust would lie in it.',
  'K5.first':
    'In this step {first} first, wiped and covered, then {then}: primer dust stays out of sound finish.',
  'K5.blend': 'Sanded, wiped and covered before this: {borders}. Primer dust stays out of the blend.',
  'K6.through': 'Sanded through to {layer} ({count} in all): prime the spot again.',
  'K7.grade':
    'A blend panel is sanded {grit} all over (found {found}), so that clear holds and nothing shows.',
  'K7.edges': 'Edges and recesses of a blend panel by fine pad and paste: no shine anywhere.',
  'K7.no-coat': 'Colour only fades out here: an undercoat would show. Sand it, or make it a refinish area.',
  'K7.kept': 'This area is kept as it is: it is masked, not coated.',
  'K7.into': 'Colour fades out in {borders}: sanded P800-P1000 all over, and clean when base begins.',
  'K7.no-substitute': 'No promoter and no wet bed stands in for sanding a blend panel.',
  // sealer, window, cleaning
  'S1.mixed': 'Different surfaces side by side ({layers}): seal all of it, or the primed areas.',
  'S1.unprimed': '{layer} is not a surface for base: prime or seal it.',
  'S1.seal': 'One sealer over everything: one tone, one suction, one window.',
  'S2.lay-flat':
    '{wetUm} wet would sag upright, over {uprightUm}: the part is laid flat for this coat and its flash.',
  'S2.sag': '{wetUm} wet sags on this panel, limit {limitUm}: lighter coats.',
  'S3.closed': 'The window of {layer} closed {overMin} ago: scuff {grit}.',
  'S3.again': 'The window of {layer} closed {overMin} ago: coat it again before going on.',
  'S3.window': 'Next coat from {opensMin} to {closesMin} after this one; past it, {thenWhat}.',
  'S4.tone':
    'Grey {toneL} is far from a base as light as grey {baseL} (0 is black, 100 white): the base needs more coats to hide.',
  'S4.beside': 'Painted together with {borders}: the same tone under all of them.',
  'S5.sanded': '{layer} is a non-sanding product: spot denib only.',
  'S5.wet': 'The {layer} is still wet: let it flash before its flaw is sanded out.',
  'S5.denib': 'A nib in a coat that is not sanded is cut {from} to {to}, at its spot only.',
  'S6.induction': 'Let the mix stand {inductionMin} before spraying, strain it; pot life {potLifeMin}.',
  'S6.pot-life': 'Strain the mix; pot life {potLifeMin}.',
  'S7.how':
    'A thin coat, followed at once by a full one, 1.3-1.4 mm tip, no sanding; base after {baseAfterMin}.',
  'S8.as-sealer':
    'Epoxy reduced by its sheet seals: it covers cut-throughs, and takes base unsanded for {closesMin}.',
  'S8.window': 'Epoxy takes base unsanded for {closesMin}; past it, scuff P400 with a soft pad.',
  'S8.scuff': 'Cured epoxy is scuffed {grit} with a soft pad and sealed, this shop’s way.',
  'C1.parts': 'Off before anything else: {parts}. Fasteners into labelled bags.',
  'C1.fit': 'A new part: fit it on trial before any paint.',
  'C1.stays': 'Stays on and is masked with care: {parts}. What is left on is where clear later peels.',
  'C1.borders': 'Covered as well, for they border this panel: {borders}.',
  'C1.renewed': 'The tape around the panel still stands: only paper that sanding opened is renewed.',
  'C1.off': 'Off the vehicle: only openings and what stays on it are covered.',
  'C1.glue': 'Glue residue comes off with this wipe.',
  'C2.tack': 'Tack between base coats is fine, never between clear coats.',
  'C3.gun':
    'Gun clean, water drained from the air line, floor wet or booth on, fans blown through before they point here.',
  'C3.card': 'A test card first: fan, atomising, wet film with a comb; then the panel.',
  'C3.hang': 'Hung so that both sides are reached: the inside first, then turned.',
  'C1.glued':
    'Glued on: {parts}. Warm air of {mostCelsius} at most, cut free, the bed scraped off with a plastic blade.',
  'C1.foam': 'Foam tape in the gap of edges and jambs: no line, and no paint creeps in.',
  'C1.back-tape': 'Where primer ends within the panel, tape folded back on itself: no hard edge.',
  'C1.tape-off':
    'Tape comes off when the last coat under it is dust-dry but still soft, pulled back flat over itself; before a bake, unless the tape is made for it.',
  'C1.wash': 'Wash with silicone-free soap before solvent.',
  'C1.degrease': 'Degrease with two cloths, small areas, wiped dry.',
  'C1.dust': 'Blow off and wipe: solvent cleaner, then water-based cleaner.',
  'C1.mask': 'Mask before spraying; leave an open edge where primer ends.',
  'C1.tack': 'Tack just before spraying; nothing wet.',
  'C1.open-filler': 'Open filler is blown off and tacked, never wiped wet.',
  // schools
  'school.first-coat': 'Not this shop’s way ({side}): {sheet} first on metal.',
  'S1.seal-primed': 'Sealer over the primed areas only, its edge softened into the dulled finish around.',
  'school.filler': 'Not this shop’s way ({side}): filler {done}.',
  'school.sealer-coats': 'Not this shop’s way ({side}): {coats} coat.',
  'school.build': 'Not this shop’s way ({side}): no build on repaired metal.',
  'school.plastic-solvent': 'Not this shop’s way: solvent degreaser on raw plastic loads static.',
  'school.plastic-system': 'Not this shop’s way ({side}) on raw plastic.',
  'school.epoxy-sealer': 'Not this shop’s way ({side}): base straight on fresh epoxy.',
  'school.reason': 'This shop’s way: {label}, because {reason}.',
  // survey
  'survey.buried':
    '{layer} cannot lie over {under}: the substrate is the lowest layer. Put the layers in order.',
  'survey.no-base': '{layer} needs something under it: add the substrate as the lowest layer.',
  'survey.no-thickness': '{layer} of 0 mm: give its thickness, or take the layer out.',
  'survey.topcoat': 'Found {layer} is recorded as old finish: change the layer.',
  'survey.too-large':
    '{finding} of {findingM2} is larger than its zone of {zoneM2}: correct its size, or make the zone larger.',
  'survey.role':
    'Colour fades out on sound finish only, and this is {layer}: refinish it, or keep it as it is.',
  'survey.role-findings':
    'Kept as it is, yet damage is recorded: refinish the zone, or take the findings out.',
  'survey.quality': 'Its own quality, {own}, is above the job’s {quality}: it is judged by the job’s.',
  'survey.kept-all': 'Every zone of the panel is kept as it is: there is nothing to plan.',
  'survey.finding': '{finding} and {layer} do not go together: correct the layers, or take the finding out.',
  'survey.outside': 'The zone is drawn outside of the panel: move it on to the panel.',
  'survey.covered': 'Other zones cover this one altogether: move them, or remove it.',
  'survey.texture': 'Texture is to be kept and flattened at once: keep one of the two findings.',
  'survey.float':
    'The float test is for plastic, and this is {layer}: take the test out, or correct the substrate.',
  'survey.no-steel':
    'A magnet falls off, yet this zone is recorded on {layer}: correct the substrate, or record the filler under the film.',
  'survey.steel': 'A magnet holds, yet this zone is recorded on {layer}: correct the substrate.',
  'survey.rub':
    'The solvent rub showed nothing, yet the finish is recorded as thinner-soft: correct one of them.',
  'survey.gauge':
    'A film gauge reads over metal only, and this is {layer}: take the readings out, or correct the substrate.',
  // plan
  'plan.open': 'Opened to sound ground before anything else, so that what lies under it is known.',
  'plan.warm-out': 'A shallow dent in plastic is warmed and pressed back; the finish on it stays.',
  'plan.blend-undone':
    'No longer a blend area: what was found at work needs more than a spot of undercoat. It is planned as refinish.',
  'blend.findings':
    'No longer a blend area: {findings} need more than a spot of undercoat. It is planned as refinish.',
  'blend.no-finish':
    'No longer a blend area: colour fades out on sound finish only, and this is {layer}. It is planned as refinish.',
  'blend.soluble':
    'No longer a blend area: thinner softens its finish, which is stripped or isolated. It is planned as refinish.',
  'blend.comes-off':
    'No longer a blend area: a cross-cut takes its finish off. It is stripped and planned as refinish.',
  'blend.thick':
    'No longer a blend area: its film of {filmUm} is more than {limitUm}, so it comes off. It is planned as refinish.',
  'blend.bad-ground':
    'No longer a blend area: its old filler lies on what does not hold it. It is ground out and planned as refinish.',
  'plan.assumed-size': '{finding} in zone {zone}: nobody gave its size, it is taken as {sizeMm}{times}.',
  'plan.assumed-film': 'The thickness of {layer} is not measured: it is taken as {filmUm}.',
  'plan.stopped':
    'Nothing is chosen while a zone is stopped ({zones}): do that work first, or plan it apart.',
  'plan.keep-filler': 'Sound filler may stay: tap it, look at its edge, check that it is hard.',
  'plan.refill': 'The old filler comes out to bright steel, so that new filler can go over epoxy.',
  'plan.fill': 'The dent is filled in thin pulls and left proud for shaping.',
  'plan.first-coat': 'First coat on bare metal: protects it inside the exposure limit.',
  'plan.isolate': 'One primer over metal, filler and feather: one surface for the build.',
  'plan.plastic-primer': 'Two-pack primer for plastic: what everything else holds on.',
  'plan.wet-on-wet': 'Primer and sealer in one, base goes on it unsanded.',
  'plan.build': 'Build, to be blocked level.',
  'plan.hand-over': 'Ready for base: tell what lies under, film, tone, scratch and window.',
  'plan.no-system': 'No system on this shelf gets the panel ready for base.',
  'plan.no-coat': 'No coat on the shelf fits.',
  'plan.none-of':
    'This shop has no product of these kinds: {kinds}. A system may need one: enter your own on the Shelf, or take the built-in one again there.',
  'plan.own-lost':
    'Your own sequence does not fit the survey any more, or stops before the hand-over: put it together again.',
  'plan.gave-up-early':
    'The search stopped after {looked} states without a system. There may be one: try it in “Why not…?”, or put the products that you would take first on the shelf.',
  'plan.gave-up': 'The search stopped after {looked} states; these are the best systems found by then.',
} as const;

export type SentenceCode = keyof typeof SENTENCES;

type NamesIn<Text extends string> = Text extends `${string}{${infer Name}}${infer Rest}`
  ? Name | NamesIn<Rest>
  : never;

/** The facts that a sentence names; a reason may carry more, for what would make an act allowed. */
export type FactsOf<Code extends SentenceCode> = Facts & {
  readonly [Name in NamesIn<(typeof SENTENCES)[Code]>]: string | number;
};

/** Sentences that name no other facts than these. */
export type SentenceOf<Names extends string> = {
  [Code in SentenceCode]: NamesIn<(typeof SENTENCES)[Code]> extends Names ? Code : never;
}[SentenceCode];

/** The facts of a sentence as an argument that may be left out where it names none. */
export type FactsArgument<Code extends SentenceCode> =
  Record<never, never> extends FactsOf<Code> ? [facts?: Facts] : [facts: FactsOf<Code>];
