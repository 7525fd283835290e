import { persisted } from './persisted.ts';

/** When a person said that they begin a step: its minutes are counted from there. Kept in this browser until it is done. */

interface BegunSteps {
  /** ms of the server's clock, by "plan/step". */
  readonly byStep: Readonly<Record<string, number>>;
}

export const useBegunSteps = persisted<BegunSteps>('ledge-begun-steps', { byStep: {} });

export const beginStep = (step: string, atMs: number): void =>
  useBegunSteps.setState(({ byStep }) => ({ byStep: { ...byStep, [step]: atMs } }));

export const endStep = (step: string): void =>
  useBegunSteps.setState(({ byStep: { [step]: _ended, ...byStep } }) => ({ byStep }));
