/** Plans kept panels in a thread. */
import { summaryOf } from './summary.mjs';

export default (panels) => panels.map(summaryOf);
