import type { Removal } from '@blue-ledge/core';
import { datedText, momentText } from '../state/now.ts';

/** "removed Tue 14:20, kept until Thu 31 Dec 2026 14:20". */
export const removalWords = ({ at, until }: Removal, keptAs: string): string =>
  `removed ${momentText(at)}, ${until === null ? `kept: it has a record${keptAs}` : `kept until ${datedText(until)}`}`;
