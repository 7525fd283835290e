import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { ThemeName } from '../theme/antd-theme.ts';

/** Light for the shop, dark for the booth. */
interface ThemeChoice {
  readonly name: ThemeName;
  readonly choose: (name: ThemeName) => void;
}

export const useTheme = create<ThemeChoice>()(
  persist((set) => ({ name: 'light' as ThemeName, choose: (name: ThemeName) => set({ name }) }), {
    name: 'ledge-theme',
    version: 1,
    migrate: (kept) => kept as ThemeChoice,
  }),
);
