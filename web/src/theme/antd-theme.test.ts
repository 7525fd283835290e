import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { antdTheme } from './antd-theme.ts';

test.each(['light', 'dark'] as const)(
  'every colour of the component library is one of our tokens: %s',
  (name) => {
    const tokens = readFileSync(join(__dirname, 'tokens.css'), 'utf8').toLowerCase();
    const colors = JSON.stringify(antdTheme(name).token).match(/#[0-9a-f]{6}/gi)!;
    expect(colors.length).toBeGreaterThan(10);
    expect(colors.filter((color) => !tokens.includes(color.toLowerCase()))).toEqual([]);
  },
);
