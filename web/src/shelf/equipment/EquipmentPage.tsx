import {
  GUN_KINDS,
  cupVolumeMl,
  type Compressor,
  type Gun,
  type Heater,
  type MixingCup,
  type ShopBlock,
  type ShopView,
} from '@blue-ledge/core';
import { Problem } from '../../shared/Problem.tsx';
import { PageTitle } from '../../shell/PageTitle.tsx';
import { useFormat } from '../../state/units.ts';
import { ShelfHead, ShelfOfShop } from '../ShelfHead.tsx';
import '../shelf.css';
import { PrintedCell } from './PrintedCell.tsx';
import { ThingsPane } from '../../shared/ThingsPane.tsx';
import { TipsCell } from './TipsCell.tsx';
import { useShopEdit } from '../use-shop-edit.ts';
import './equipment.css';

/** What a shop sprays and measures with. */
export const EquipmentPage = () => (
  <ShelfOfShop>{(shop, shops) => <Equipment key={shop.id} saved={shop} shops={shops} />}</ShelfOfShop>
);

const KIND_WORDS: Readonly<Record<Gun['kind'], string>> = {
  hvlp: 'HVLP',
  lvlp: 'LVLP',
  conventional: 'conventional',
};

/** "1 gun", "2 guns" */
const counted = (things: readonly unknown[], called: string): string =>
  `${things.length} ${called}${things.length === 1 ? '' : 's'}`;

interface EquipmentProps {
  readonly saved: ShopView;
  readonly shops: readonly ShopView[];
}

function Equipment({ saved, shops }: EquipmentProps) {
  const { shop, refusal, change } = useShopEdit(saved);
  const { quantity } = useFormat();
  const { guns = [], compressors = [], heaters = [], blocks = [], cups = [] } = shop.shop;
  return (
    <main className="page">
      <PageTitle name="Equipment" />
      <ShelfHead
        shop={shop}
        shops={shops}
        part="equipment"
        note={[counted(guns, 'gun'), counted(compressors, 'compressor'), counted(cups, 'cup')].join(', ')}
      />
      {refusal.length > 0 && <Problem error={new Error(refusal.join(' '))} />}
      <ThingsPane<Gun>
        title="Guns"
        about="In the order in which they are taken: a plan uses the first one with a tip inside the sheet’s range. Flow is that of the first tip; fan and flow are measured on paper and with a measuring cup. Film is what its coats really have, by the comb, of what their sheets say."
        empty="No gun yet: plans reckon with a usual HVLP gun."
        called="gun"
        things={guns}
        make={(id, nth) => ({
          id,
          name: `Gun ${nth}`,
          kind: 'hvlp',
          tipsMm: [1.4],
          flowMlPerMin: 200,
          fanMm: 250,
          overlapPercent: 50,
          airLPerMin: 350,
          cupMl: 600,
        })}
        onPut={(id, gun) => change({ things: { guns: { [id]: gun } } })}
        columns={[
          { kind: 'text', head: 'What you call it', name: 'Name', of: 'name', most: 60 },
          {
            kind: 'choice',
            head: 'Kind',
            of: 'kind',
            options: GUN_KINDS.map((kind) => [kind, KIND_WORDS[kind]]),
          },
          {
            kind: 'own',
            head: 'Tips, mm',
            name: 'Tips',
            of: 'tipsMm',
            cell: (gun, name, put) => <TipsCell name={name} tipsMm={gun.tipsMm} onChange={put} />,
          },
          { kind: 'number', head: 'Flow', of: 'flowMlPerMin', quantity: 'MlPerMin', from: 10, to: 3000 },
          { kind: 'number', head: 'Fan', of: 'fanMm', quantity: 'Mm', from: 20, to: 800 },
          { kind: 'number', head: 'Overlap', of: 'overlapPercent', unit: '%', from: 0, to: 90 },
          { kind: 'number', head: 'Air', of: 'airLPerMin', quantity: 'LPerMin', from: 0, to: 3000 },
          { kind: 'number', head: 'Cup', of: 'cupMl', quantity: 'Ml', from: 20, to: 50_000 },
          {
            kind: 'number',
            head: 'Lands',
            of: 'transferPercent',
            unit: '%',
            from: 5,
            to: 100,
            whenEmpty: 'kind',
          },
          {
            kind: 'number',
            head: 'Film',
            of: 'filmPercent',
            unit: '%',
            from: 40,
            to: 200,
            whenEmpty: 'sheet',
          },
        ]}
      />
      <ThingsPane<Compressor>
        title="Compressors"
        about="Delivery of free air, not what the pump draws in; the pressure of the full tank, and the least at which the gun still sprays as set."
        empty="No compressor yet: nothing is said about whether the air lasts."
        called="compressor"
        things={compressors}
        make={(id, nth) => ({
          id,
          name: `Compressor ${nth}`,
          deliveryLPerMin: 220,
          tankLitres: 50,
          fromBar: 8,
          toBar: 5,
        })}
        onPut={(id, compressor) => change({ things: { compressors: { [id]: compressor } } })}
        problemOf={({ fromBar, toBar }) =>
          fromBar > toBar ? null : 'The full tank must have more pressure than the least that sprays.'
        }
        columns={[
          { kind: 'text', head: 'What you call it', name: 'Name', of: 'name', most: 60 },
          {
            kind: 'number',
            head: 'Delivers',
            of: 'deliveryLPerMin',
            quantity: 'LPerMin',
            from: 0,
            to: 20_000,
          },
          { kind: 'number', head: 'Tank', of: 'tankLitres', quantity: 'Litres', from: 0, to: 10_000 },
          { kind: 'number', head: 'Full at', of: 'fromBar', quantity: 'Bar', from: 0.5, to: 20 },
          { kind: 'number', head: 'Sprays down to', of: 'toBar', quantity: 'Bar', from: 0, to: 20 },
        ]}
      />
      <ThingsPane<Heater>
        title="Ovens and lamps"
        about="What cures under heat, and the hottest that it gets a panel. Bakes are planned no warmer than that."
        empty="None entered: a booth is taken to have heat, a garage to have none."
        called="heater"
        things={heaters}
        make={(id, nth) => ({ id, name: `Lamp ${nth}`, kind: 'lamp', mostCelsius: 80 })}
        onPut={(id, heater) => change({ things: { heaters: { [id]: heater } } })}
        columns={[
          { kind: 'text', head: 'What you call it', name: 'Name', of: 'name', most: 60 },
          {
            kind: 'choice',
            head: 'Kind',
            of: 'kind',
            options: [
              ['lamp', 'infrared lamp'],
              ['oven', 'oven or baking booth'],
            ],
          },
          { kind: 'number', head: 'Panel up to', of: 'mostCelsius', quantity: 'Celsius', from: 30, to: 150 },
        ]}
      />
      <ThingsPane<ShopBlock>
        title="Blocks and boards"
        about="What the blocking forecast tries. A flexible board’s sag: lay it on two supports 300 mm apart and put 1 kg in its middle. Grades and sanding tools are under Shop."
        empty="None entered: the forecast tries the blocks of a usual shop."
        called="block"
        things={blocks}
        make={(id, nth) => ({ id, name: `Block ${nth}`, lengthMm: 200, widthMm: 70, pad: 'hard' })}
        onPut={(id, block) => change({ things: { blocks: { [id]: block } } })}
        columns={[
          { kind: 'text', head: 'What you call it', name: 'Name', of: 'name', most: 60 },
          { kind: 'number', head: 'Length', of: 'lengthMm', quantity: 'Mm', from: 60, to: 800 },
          { kind: 'number', head: 'Width', of: 'widthMm', quantity: 'Mm', from: 30, to: 150 },
          {
            kind: 'choice',
            head: 'Pad',
            of: 'pad',
            options: [
              ['hard', 'hard'],
              ['soft', 'soft'],
            ],
          },
          {
            kind: 'number',
            head: 'Sags by',
            of: 'sagMm',
            quantity: 'Mm',
            from: 0.1,
            to: 100,
            whenEmpty: 'rigid',
          },
        ]}
      />
      <ThingsPane<MixingCup>
        title="Mixing cups"
        about="Inside measures of any straight or tapered cup, tin or bucket. A cup printed for a ratio is read by its lines as well."
        empty="No cup yet: marks are worked out for any that you measure."
        called="cup"
        things={cups}
        make={(id, nth) => ({ id, name: `Cup ${nth}`, bottomMm: 70, topMm: 90, heightMm: 120 })}
        onPut={(id, cup) => change({ things: { cups: { [id]: cup } } })}
        noteOf={(cup) => `holds ${quantity('Ml', cupVolumeMl(cup))}`}
        columns={[
          { kind: 'text', head: 'What you call it', name: 'Name', of: 'name', most: 60 },
          { kind: 'number', head: 'Bottom', of: 'bottomMm', quantity: 'Mm', from: 5, to: 1000 },
          { kind: 'number', head: 'Top', of: 'topMm', quantity: 'Mm', from: 5, to: 1000 },
          { kind: 'number', head: 'Height', of: 'heightMm', quantity: 'Mm', from: 5, to: 1000 },
          {
            kind: 'own',
            head: 'Printed ratio, ml at line 1, lines',
            name: 'Print',
            of: 'printed',
            cell: (cup, name, put) => <PrintedCell name={name} printed={cup.printed} onChange={put} />,
          },
        ]}
      />
    </main>
  );
}
