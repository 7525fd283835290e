import { readMark } from './moulding-mark.ts';

test.each(['>PP<', 'PP+EPDM', '>PP/EPDM-T20<', 'P/E', 'p/e-td10', 'TPO', 'PP20', '>ABS+PP<', 'PE-HD'])(
  '%s is an olefin',
  (mark) => expect(readMark(mark)).toBe('olefin'),
);

test.each(['>ABS<', 'PC', 'pc+pbt', 'PA6-GF30', '>PA66/6<', 'PUR', '>PPE+PA-M20<', 'SMC'])(
  '%s is none',
  (mark) => expect(readMark(mark)).toBe('other'),
);

test.each(['?', 'worn off', 'X7', '>T20<', 'ABS/Q9', '12345', '<>', 'E/P'])(
  '%s says nothing: as if there were no mark',
  (mark) => expect(readMark(mark)).toBe('unknown'),
);
