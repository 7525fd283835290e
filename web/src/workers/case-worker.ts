import { PRACTICE_CASES, judgeCase } from '@blue-ledge/core';
import type { CaseAnswer, CaseAsk } from './case-messages.ts';

/** Judges practice cases off the page: planning one takes a moment. */

const say = (answer: CaseAnswer): void => self.postMessage(answer);

self.onmessage = ({ data: { id, caseId, acts } }: MessageEvent<CaseAsk>): void => {
  const asked = PRACTICE_CASES.find((each) => each.id === caseId);
  if (!asked) return say({ id, fault: `"${caseId}" is no case of this release.` });
  try {
    say({ id, verdict: judgeCase(asked.task, acts) });
  } catch (error) {
    say({ id, fault: (error as Error).message });
  }
};
