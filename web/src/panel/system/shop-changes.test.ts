import { formatQuantity, shopSchema, type Quantity, type Shop } from '@blue-ledge/core';
import { shopChanges } from './shop-changes.ts';

const format = {
  system: 'metric' as const,
  quantity: (quantity: Quantity, value: number) => formatQuantity(quantity, value, 'metric'),
};
const shop = shopSchema.parse({ celsius: 20, nightCelsius: 14, schools: { filler: 'over-epoxy' } });
const changed = (now: Partial<Shop>): string[] => shopChanges(shop, { ...shop, ...now }, format as never);

test.each<[Partial<Shop>, RegExp[]]>([
  [{}, []],
  [{ celsius: 11, relativeHumidity: 92 }, [/^temperature 20 °C, now 11 °C$/, /^humidity 50 ?%, now 92 ?%$/]],
  [{ rules: { bareMetalLimitMin: 45 } }, [/: \d+ min \(default\), now 45 min$/]],
  [{ rules: { labourPerHour: 90 } }, []],
  [{ schools: {} }, [/^filler: .+, now the usual way$/]],
  [{ stock: ['P80', 'P180'] }, [/^grits in stock: the usual, now P80, P180$/]],
  [{ people: [] }, []],
])('%j is named as %s', (now, said) => {
  const words = changed(now);
  expect(words).toHaveLength(said.length);
  said.forEach((each, i) => expect(words[i]).toMatch(each));
});
