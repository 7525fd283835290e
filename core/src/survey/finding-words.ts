import { FINDING_FORMS } from './finding-forms.ts';
import type { Finding } from './finding.ts';

/** A finding in the words of the bench: "chips", "pitted rust", "crack". */
export const findingWords = ({ kind }: Pick<Finding, 'kind'>): string => FINDING_FORMS[kind].label;
