import darkAlgorithm from 'ant-design-vue/es/theme/themes/dark';
import type { ThemeConfig } from 'ant-design-vue/es/config-provider/context';

const shape: ThemeConfig['token'] = {
  borderRadius: 3,
  fontFamily: "'Atkinson Hyperlegible Next Variable', sans-serif",
  fontSize: 15,
  controlHeight: 34,
  boxShadow: '0 2px 0 rgba(0,0,0,.14)',
  boxShadowSecondary: '0 3px 0 rgba(0,0,0,.2)',
  motionDurationMid: '0.12s',
  motionDurationSlow: '0.15s',
};

/** Paper, ink, moss, clay, ochre, slate by day; the same values stand as variables in styles.css. */
const light: ThemeConfig = {
  token: {
    ...shape,
    colorPrimary: '#4B5D3A',
    colorInfo: '#3C5A73',
    colorError: '#A94A22',
    colorWarning: '#8A5D0B',
    colorText: '#22261F',
    colorTextPlaceholder: '#6A6B60',
    colorBgBase: '#FBF9F4',
    colorBorder: '#B9B3A3',
  },
};

/** And by night. */
const dark: ThemeConfig = {
  algorithm: darkAlgorithm,
  token: {
    ...shape,
    colorPrimary: '#A9C08F',
    colorInfo: '#9FC0DC',
    colorError: '#F19A72',
    colorWarning: '#E3B45C',
    colorText: '#ECE8DC',
    colorTextPlaceholder: '#A3A093',
    colorBgBase: '#1E221C',
    colorBorder: '#5A6052',
  },
};

export const themeOf = (isDark: boolean): ThemeConfig => (isDark ? dark : light);
