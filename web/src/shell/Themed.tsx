import { ConfigProvider } from 'antd';
import { useLayoutEffect, type ReactNode } from 'react';
import { useTheme } from '../state/theme.ts';
import { antdTheme } from '../theme/antd-theme.ts';

/** Gives our own styles and the component library the theme in force. */
export function Themed({ children }: { readonly children: ReactNode }) {
  const name = useTheme((state) => state.name);
  useLayoutEffect(() => {
    document.documentElement.dataset['theme'] = name;
  }, [name]);
  return <ConfigProvider theme={antdTheme(name)}>{children}</ConfigProvider>;
}
