/**
 * Every sentence that core says to a person, by code. `{name}` is a fact; its unit is the end of its name.
 * Rules and operations carry codes and facts only, so that a sentence can be said again in the reader's units.
 */
export const SENTENCES = {
  // operations
  'op.nothing-to-block': 'There is no primer of ours on top to block.',
  'op.nothing-to-fill': 'There is no hollow to fill.',
  'op.grade-order': '{grit} after {before} is not finer; grades go from coarse to fine.',
  'op.no-end':
    'The preparation for this step never comes to an end; the planner gave up after {steps} steps.',
  'coat.not-over': 'The sheet of {sheet} does not allow it over {layer}.',
  'coat.film': '{perCoatUm} dry a coat, at most {maxUm} in all.',
  'coat.budget':
    'Film budget: {staysUm} stays, {wavesUm} waves, {peelUm} peel, {ladderUm} for the grits: {neededUm}, so {coats} coats of {perCoatUm}.',
  'coat.budget-short':
    'Film budget asks for {neededUm}; the sheet stops at {maxUm}, {coats} coats do not level it in one build.',
  'coat.volume': 'Mix {ratio}, {volumeMl} ready to spray at {transferPercent} transfer.',
  'coat.tip': 'Fluid tip {tip}.',
  'coat.flash': '{betweenMin} between coats: sheet {sheetMin}, at {roomCelsius} in this air.',
  'coat.usual': '{coats} coats: what the sheet asks for to seal the surface.',
  'coat.sealer-coats':
    '{coats} coat by the shop’s school; {wetUm} wet stays under the sag limit of {limitUm}.',
  'coat.sealer-level': '{coats} coat by the shop’s school; on a level panel nothing sags.',
  'coat.tone': 'Tone L* {toneL}, the nearest on the shelf to a base of L* {baseL}.',
  'body.depth': '{deepestUm} deep in {lifts} lift, at most {maxUm}.',
  'body.sand-after': 'Sands after {sandAfterMin}.',
  'body.hardener': 'Hardener {usualPercent} by mass, from {fromPercent} to {toPercent}.',
  'flash.climate': '{waitMin} still to go at {roomCelsius} in {air}.',
  'cure.air':
    '{name}: {waitMin} to 90 % cure at {roomCelsius} by day and {nightCelsius} at night; the sheet asks for at least {sheetMin}.',
  'cure.bake': '{name}: {waitMin} under heat, panel at {bakeCelsius}, heating up and cooling down included.',
  'sand.minutes': '{grit} takes up to {takenUm} off in {handsOnMin}.',
  'block.grade':
    '{grit} takes the least minutes to block level and on to the last grit, with no jump over {jump} times the grain.',
  'sand.metal': '{grit} over bare metal, {handsOnMin}.',
  'strip.minutes': '{handsOnMin} at the rate of P80 by machine through what lies there.',
  'feather.width': '{layerMm} wide for each layer, and {overlapMm} of dull old finish past it.',
  // metal
  'M1.bare': '{sheet} does not protect {layer}; bare metal needs a corrosion-resisting first coat.',
  'M1.left-bare': '{layer} would be handed over bare.',
  'M1.spots':
    '{count} rub-through spots of {spotMm}, {sharePercent} of the panel, are more than a sealer or build may cover ({limitMm}, {limitPercent}).',
  'M2.found-bare':
    'Nobody knows how long this metal has been bare; abrade it fresh and coat within {limitMin}.',
  'M2.window': 'Bare metal: coat within {closesMin}; past it, {thenWhat}.',
  'M2.tight': 'Bare for {exposedMin} of {limitMin} when the first coat goes on: little time to spare.',
  'M2.exposed': 'Bare for {exposedMin}, limit {limitMin}: abrade and clean again.',
  'M3.dew': 'Only {marginKelvin} above dew point, {limitKelvin} needed: warm the panel or dry the air.',
  'M3.temperature': '{sheet} is sprayed from {minCelsius} to {maxCelsius}; the shop is at {roomCelsius}.',
  'M3.humidity': '{sheet} allows {maxPercent} humidity; the shop has {roomPercent}.',
  'M4.grade': 'Found {found}; {layer} is abraded {grit} under its first coat.',
  'M4.aluminium':
    '{layer} is abraded {grit} with abrasives of its own before its first coat (found {found}).',
  'M4.unsanded': '{layer} is abraded {grit} before its first coat.',
  'M5.surface': 'Surface rust comes off to bright metal.',
  'M5.pitted': 'Pitted rust is blasted or treated with conditioner, rinsed and dried.',
  'M5.through': 'Rusted through: metal repair comes first.',
  'M6.filler': 'Acid etch and filler do not go together: the acid stays active under or over it.',
  'M6.under-epoxy': 'No epoxy over acid etch unless both sheets say so.',
  'M6.spots-only': 'Etch is for spots: this is {sharePercent} of the panel, limit {limitPercent}.',
  'M6.uncovered': 'Etch must be covered by another primer or sealer.',
  'M10.cut': '{grit} cuts through the zinc; nothing coarser than {limit} there.',
  'M10.filler': 'The sheet of {sheet} does not allow filler on zinc: epoxy first.',
  'M10.kept': 'Nobody knows whether this filler may lie on zinc: its sheet has to say so.',
  // filler
  'F1.uncured': 'Filler goes over cured {layer} only.',
  'F1.key': 'Filler wants {layer} abraded {grit} (found {found}).',
  'F2.over': 'Filler never lies over {layer}.',
  'F3.deep': '{depthMm} of filler, at most {maxMm}: metalwork first.',
  'F5.wet': 'Filler takes up water: sand it dry.',
  'F6.grade':
    'Filler is finished {grit} before primer (found {found}): {sinkFineUm} of its scratch sinks back, {limitFineUm} may.',
  'F7.pinholes': 'Open the pinholes, blow them out and glaze them before primer.',
  'F7.no-glaze': 'Pinholes need glaze and there is none on the shelf: add a glaze sheet.',
  'F7.thick': 'Glaze of {glazeUm} is more than {maxUm}.',
  // old finish and new parts
  'O1.local': 'Unsound finish on {sharePercent} of the panel: strip this zone to a sound edge.',
  'O1.panel':
    'Unsound finish on {sharePercent} of the panel, more than {limitPercent}: strip the whole panel.',
  'O1.thick': 'Film of {filmUm} is more than {limitUm}: it comes off.',
  'O2.isolate':
    '{layer} softens under thinner: strip it, or isolate it with two coats of unreduced epoxy first.',
  'O2.wet': '{wetUm} wet over an isolated soluble finish, {limitUm} at most: lighter coats, or it lifts.',
  'O2.strip': 'Soluble finish is stripped, so that nothing under the new coats can soften.',
  'O3.degrease': 'Grease is taken off before sanding, or it is sanded in.',
  'O4.feather':
    'The edge of the old finish is feathered {layerMm} a layer; primer reaches {overlapMm} past it and stops in an open edge.',
  'O5.heavy': 'A heavy first coat lifts feathered edges.',
  'O5.light': 'First coat light: feathered edges lift first.',
  'N1.leave': 'Sound e-coat stays unsanded: the factory dip is the best corrosion layer there is.',
  'N1.scuff': 'E-coat is scuffed {grit} all over: a mechanical key everywhere.',
  'N1.sheet': '{sheet} wants e-coat scuffed {grit}.',
  'N2.rub':
    'A maker’s primer of unknown kind is rubbed with thinner first: if it softens, strip or isolate it and plan again.',
  'N3.cut-through':
    '{count} cut-throughs of {spotMm} to {layer} are more than this coat may cover ({limitMm}, {limitPercent}): prime them as bare metal.',
  'N3.uncovered': '{count} cut-throughs are still bare.',
  // fiberglass
  'GP1.wax': 'Release wax comes off with solvent cleaner before anything is sanded: it would be sanded in.',
  'GP2.cloth': '{grit} goes into the cloth; nothing coarser than {limit} there.',
  'GP3.look': 'Look for pinholes again under the first primer: open, glaze and level what shows.',
  'GP4.etch': 'No acid etch on {layer}: epoxy or two-pack build.',
  // build
  'B1.block': 'Fresh {layer} is blocked level: {ledgeUm} uneven, {quality} allows {limitUm}.',
  'B1.ledge': 'Not level: {ledgeUm} of ledge left in {layer}, {quality} allows {limitUm}.',
  'B1.peel': 'Orange peel of {ledgeUm} in {layer}, {quality} allows {limitUm}.',
  'K3.low': 'A hollow of {lowMm} is deeper than build can level ({canLevelUm}): fill it first.',
  'B2.maximum': '{sheet} would be {filmUm} thick, at most {maxUm}.',
  'B2.flash': '{layer} flashes for {leftMin} more before anything touches it.',
  'B3.uncured': '{layer} is not cured: {leftMin} to go before sanding.',
  'K1.first': 'Guide coat before the first block: dust stays in the lows.',
  'K1.finer': 'Guide coat again before the finer grit, and raking light.',
  'K2.fingertips': 'Block with a block, not by {tool}: fingertips dig grooves.',
  'K3.thin':
    'Blocking and the last sanding would leave {leftUm}, {staysUm} must stay: glaze the low and build again.',
  'K4.shine': 'Shine left on {layer}: {grit} all over, edges and recesses by pad.',
  'K4.key': '{layer} is keyed {grit} for the primer (found {found}).',
  'K4.telegraph':
    'A {found} scratch in {layer} would leave {nowFineUm} in the {plane} plane; {grit} leaves {grooveFineUm}, limit {limitFineUm}.',
  'K4.no-grade': 'No grade that {coat} allows on {layer} stays invisible at this quality.',
  'K5.order': 'Primer dust gets into a sound area that is sanded after the primed ones.',
  'K6.through': '{count} sand-through to {layer}: prime the spot again.',
  // sealer, window, cleaning
  'S1.mixed': 'Different surfaces side by side ({layers}): seal before base.',
  'S1.unprimed': '{layer} is not a surface for base: prime or seal it.',
  'S1.seal': 'One sealer over everything: one tone, one suction, one window.',
  'S2.sag': '{wetUm} wet sags on this panel, limit {limitUm}: lighter coats.',
  'S3.closed': 'The window of {layer} closed {overMin} ago: scuff {grit}.',
  'S3.window': 'Next coat from {opensMin} to {closesMin} after this one; past it, {thenWhat}.',
  'S4.tone': 'Tone L* {toneL} is far from a base of L* {baseL}: the base needs more coats to hide.',
  'S5.sanded': '{layer} is a non-sanding product: spot denib only.',
  'C1.wash': 'Wash with silicone-free soap before solvent.',
  'C1.degrease': 'Degrease with two cloths, small areas, wiped dry.',
  'C1.dust': 'Blow off and wipe: solvent cleaner, then water-based cleaner.',
  'C1.mask': 'Mask before spraying; leave an open edge where primer ends.',
  'C1.tack': 'Tack just before spraying; nothing wet.',
  'C1.open-filler': 'Open filler is blown off and tacked, never wiped wet.',
  // schools
  'school.first-coat': 'Not this shop’s school ({side}): {sheet} first on metal.',
  'school.filler': 'Not this shop’s school ({side}): filler {done}.',
  'school.sealer-coats': 'Not this shop’s school ({side}): {coats} coat.',
  'school.build': 'Not this shop’s school ({side}): no build on repaired metal.',
  'school.reason': 'School: {label}, because {reason}.',
  // plan
  'plan.keep-filler': 'Sound filler may stay: tap it, look at its edge, check that it is hard.',
  'plan.refill': 'The old filler comes out to bright steel, so that new filler can go over epoxy.',
  'plan.fill': 'The hollow is filled in thin pulls and left proud for shaping.',
  'plan.first-coat': 'First coat on bare metal: protects it inside the exposure limit.',
  'plan.isolate': 'One primer over metal, filler and feather: one surface for the build.',
  'plan.build': 'Build, to be blocked level.',
  'plan.hand-over': 'Ready for base: tell what lies under, film, tone, scratch and window.',
  'plan.unsupported':
    '{layer} is not planned yet: this version plans metal, fiberglass, filler, finish and new parts, no plastic.',
  'plan.no-system': 'No system on this shelf gets the panel ready for base: {reason}',
  'plan.gave-up': 'The search stopped after {looked} states; these are the best systems found by then.',
} as const;

export type SentenceCode = keyof typeof SENTENCES;
