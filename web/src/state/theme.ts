import type { ThemeName } from '../theme/antd-theme.ts';
import { persisted } from './persisted.ts';

/** Light for the shop, dark for the booth. */
interface ThemeChoice {
  readonly name: ThemeName;
}

export const useTheme = persisted<ThemeChoice>('ledge-theme', { name: 'light' });
