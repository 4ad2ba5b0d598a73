import type { ThemeConfig } from 'ant-design-vue/es/config-provider/context';

/** Paper, ink, moss, clay, ochre, slate; the same values stand as variables in styles.css. */
export const theme: ThemeConfig = {
  token: {
    colorPrimary: '#4B5D3A',
    colorInfo: '#3C5A73',
    colorError: '#A94A22',
    colorWarning: '#8A5D0B',
    colorText: '#22261F',
    colorTextPlaceholder: '#6A6B60',
    colorBgBase: '#FBF9F4',
    colorBorder: '#B9B3A3',
    borderRadius: 3,
    fontFamily: "'Atkinson Hyperlegible Next Variable', sans-serif",
    fontSize: 15,
    controlHeight: 34,
    boxShadow: '0 2px 0 rgba(34,38,31,.12)',
    boxShadowSecondary: '0 3px 0 rgba(34,38,31,.16)',
    motionDurationMid: '0.12s',
    motionDurationSlow: '0.15s',
  },
  components: {
    Button: { controlOutline: 'transparent', controlTmpOutline: 'transparent', primaryColor: '#FBF9F4' } as never,
  },
};
