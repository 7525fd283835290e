import { create } from 'zustand';
import { persist } from 'zustand/middleware';

/** When a person said that they begin a step: its minutes are counted from there. Kept in this browser until it is done. */

interface BegunSteps {
  /** ms of the server's clock, by "plan/step". */
  readonly byStep: Readonly<Record<string, number>>;
  readonly begin: (step: string, atMs: number) => void;
  readonly end: (step: string) => void;
}

export const useBegunSteps = create<BegunSteps>()(
  persist<BegunSteps>(
    (set) => ({
      byStep: {},
      begin: (step, atMs) => set(({ byStep }) => ({ byStep: { ...byStep, [step]: atMs } })),
      end: (step) =>
        set(({ byStep: { [step]: _ended, ...byStep } }) => ({
          byStep,
        })),
    }),
    { name: 'ledge-begun-steps', version: 1 },
  ),
);
