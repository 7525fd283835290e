import { theme, type ThemeConfig } from 'antd';

export type ThemeName = 'light' | 'dark';

/** What differs between the themes, as in tokens.css. */
const COLORS = {
  light: {
    colorPrimary: '#1E5B8C',
    colorSuccess: '#4C6B3C',
    colorWarning: '#7F4A00',
    colorError: '#A63A22',
    colorText: '#14212B',
    colorTextSecondary: '#42515C',
    colorTextPlaceholder: '#5A6771',
    colorTextLightSolid: '#F9F7F1',
    colorBgLayout: '#EBE9E1',
    colorBgContainer: '#F9F7F1',
    colorBgElevated: '#F9F7F1',
    colorBorder: '#8A8577',
    colorBorderSecondary: '#C6C1B3',
    boxShadowSecondary: '0 0 0 1.5px #14212B',
  },
  dark: {
    colorPrimary: '#7FB9E6',
    colorSuccess: '#9CC184',
    colorWarning: '#F5C888',
    colorError: '#E88B73',
    colorText: '#F1EEE6',
    colorTextSecondary: '#C0CAD1',
    colorTextPlaceholder: '#A3AFB8',
    colorTextLightSolid: '#1B2329',
    colorBgLayout: '#12181D',
    colorBgContainer: '#1B2329',
    colorBgElevated: '#1B2329',
    colorBorder: '#83909A',
    colorBorderSecondary: '#3D4952',
    boxShadowSecondary: '0 0 0 1.5px #F1EEE6',
  },
} as const;

/** Our tokens for the component library: square corners, 44 px controls, ink on masking-paper greys. */
export const antdTheme = (name: ThemeName): ThemeConfig => ({
  algorithm: name === 'dark' ? theme.darkAlgorithm : theme.defaultAlgorithm,
  token: {
    ...COLORS[name],
    borderRadius: 0,
    borderRadiusLG: 0,
    borderRadiusSM: 0,
    controlHeight: 44,
    fontFamily: "Barlow, 'Helvetica Neue', Arial, sans-serif",
    fontSize: 14,
    boxShadow: 'none',
    motion: false,
  },
  components: {
    Button: {
      primaryShadow: 'none',
      defaultShadow: 'none',
      fontWeight: 600,
      primaryColor: COLORS[name].colorTextLightSolid,
    },
    Select: { optionHeight: 40, optionPadding: '9px 12px' },
  },
});
