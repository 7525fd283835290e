import type { ThemeConfig } from 'antd';

/** Our tokens for the component library: square corners, 44 px controls, ink on masking-paper greys. */
export const antdTheme: ThemeConfig = {
  token: {
    colorPrimary: '#1E5B8C',
    colorSuccess: '#4C6B3C',
    colorWarning: '#7F4A00',
    colorError: '#A63A22',
    colorText: '#14212B',
    colorTextSecondary: '#42515C',
    colorTextPlaceholder: '#5A6771',
    colorBgLayout: '#EBE9E1',
    colorBgContainer: '#F9F7F1',
    colorBgElevated: '#F9F7F1',
    colorBorder: '#8A8577',
    colorBorderSecondary: '#C6C1B3',
    borderRadius: 0,
    borderRadiusLG: 0,
    borderRadiusSM: 0,
    controlHeight: 44,
    fontFamily: "Barlow, 'Helvetica Neue', Arial, sans-serif",
    fontSize: 14,
    boxShadow: 'none',
    boxShadowSecondary: '0 0 0 1.5px #14212B',
    motion: false,
  },
  components: {
    Button: { primaryShadow: 'none', defaultShadow: 'none', fontWeight: 600 },
    Select: { optionHeight: 40, optionPadding: '9px 12px' },
  },
};
