import { row, type RuleRow } from './rule-row.ts';

/**
 * Hands-on rates: minutes by area, edge or coat, besides the fixed minutes of setting out (operations/labour.ts). All of them
 * are defaults, calibrated against the time sheets of our scenario; what a shop's own record says takes their place
 * (record/own-figures.ts). Sanding of films follows from the sanding models.
 */
export const LABOUR_RULES = {
  washMinPerM2: row(3, 0.3, 60, 'washing'),
  degreaseMinPerM2: row(2.5, 0.3, 60, 'degreasing'),
  wipeMinPerM2: row(3, 0.3, 60, 'wiping plastic with antistatic cleaner'),
  maskMinPerM2: row(2, 0.2, 60, 'masking'),
  renewedMaskShare: row(
    0.5,
    0,
    1,
    'share of the masking that is done again after a block: the tape around the panel stands, paper is renewed',
  ),
  tackMinPerM2: row(1, 0.1, 30, 'tacking'),
  guideCoatMinPerM2: row(2, 0.2, 30, 'laying a guide coat'),
  inspectMinPerM2: row(4, 0.4, 60, 'inspecting'),
  testMinPerM2: row(2, 0.2, 60, 'testing what is there'),
  smallGunM2: row(0.25, 0, 2, 'most that is sprayed with a small gun or an aerosol instead of the big gun'),
  smallGunSetUpMin: row(4, 1, 20, 'setting up and cleaning the small gun'),
  sprayCanMin: row(3, 0, 15, 'shaking one spray can, its second part released, and clearing its nozzle'),
  brushSetUpMin: row(2, 0, 15, 'pouring out a little for the brush, and cleaning it'),
  brushSpotMin: row(0.1, 0.02, 5, 'touching one spot with the brush, each coat'),
  brushMinPerM2: row(20, 2, 120, 'laying a coat by brush or cloth'),
  brushMm: row(10, 0, 300, 'widest bare spot that is coated by brush where it shows'),
  sprayMinPerM2: row(2.5, 0.3, 30, 'spraying, each coat'),
  fillMinPerM2: row(24, 3, 240, 'spreading filler, each lift'),
  glazeMinPerM2: row(12, 1, 120, 'spreading glaze'),
  plasticRepairMinPerM2: row(30, 3, 300, 'spreading plastic repair paste, each lift'),
  seamSealMinPerM2: row(4, 0.4, 60, 'sealing seams'),
  textureCoatMinPerM2: row(4, 0.4, 60, 'laying a texture coat'),
  laminateRepairMinPerM2: row(60, 6, 600, 'laying up resin and cloth'),
  metalRepairMinPerM2: row(40, 4, 400, 'metal repair: welding, pulling, bringing down'),
  conditionMinPerM2: row(20, 2, 200, 'conditioning pitted metal, rinse included'),
  warmOutMinPerM2: row(20, 2, 200, 'warming a dent out of plastic'),
  removeRustMinPerM2: row(25, 3, 250, 'taking rust off'),
  stripMinPerM2: row(30, 5, 200, 'stripping 120 µm of cured finish by machine at P80, flat'),
  chemicalStripMinPerM2: row(38, 5, 200, 'stripping with paint stripper, all hands-on work without the wait'),
  blastMinPerM2: row(22, 2, 220, 'blasting'),
  metalAbradeMinPerM2: row(10, 2, 60, 'refining bare metal to the grade of its first coat'),
  bloomMinPerM2: row(8, 2, 60, 'abrading bare metal again at its own grade once its time has run out'),
  featherMinPerM: row(1.2, 0.1, 20, 'feathering an edge, each film that ends in it'),
  scuffMinPerM: row(0.8, 0.1, 20, 'dulling edges and backs by pad'),
  dullMinPerM2: row(6, 1, 60, 'dulling sound finish around a patch'),
  patchWorkMin: row(
    5,
    0,
    60,
    'holding and checking one patch, each time it is ground, feathered, shaped or blocked',
  ),
  dotWorkMin: row(1, 0, 10, 'the same for each chip or spot up to 10 mm, at most as long as for a patch'),
  crownedLabourFactor: row(1.15, 1, 4, 'sanding and stripping on a crowned part against a flat one'),
  sharpLabourFactor: row(1.6, 1, 6, 'the same on a sharply shaped part'),
  sectionM2: row(3, 0.5, 40, 'bare metal that one person abrades, wipes and coats as one section'),
} as const satisfies Record<string, RuleRow>;
