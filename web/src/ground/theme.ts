import { DARK, FONTS, LIGHT, type Palette, TEXT_PX } from '@dusky-spool/design';
import { theme, type ThemeConfig } from 'antd';

/** The dark theme before its algorithm takes 15 % off: buttons come out in a color on which white can be read, and so does red text. */
const DARK_BEFORE: Palette = { ...DARK, accent: '#d0652e', error: '#ffa3a6' };

/** The one Ant Design theme, from the design tokens. Motion is short, and there is none where the person wants it reduced. */
export function themeFor(dusk: boolean, reducedMotion: boolean): ThemeConfig {
  const c = dusk ? DARK_BEFORE : LIGHT;
  return {
    algorithm: dusk ? theme.darkAlgorithm : theme.defaultAlgorithm,
    token: {
      colorPrimary: c.accent,
      colorLink: c.accentText,
      colorError: c.error,
      colorWarning: c.warning,
      colorSuccess: c.ok,
      colorText: c.ink,
      colorTextSecondary: c.inkSoft,
      colorTextTertiary: c.inkFaint,
      colorTextPlaceholder: c.inkFaint,
      colorBorder: c.line,
      colorBorderSecondary: c.line,
      colorBgBase: c.paper,
      colorBgContainer: c.paper,
      colorBgElevated: c.paper,
      colorBgLayout: c.ground,
      controlItemBgActive: c.accentSoft,
      controlItemBgHover: c.groundDeep,
      borderRadius: 5,
      fontFamily: FONTS.ui,
      fontSize: TEXT_PX.base,
      controlHeight: 32,
      wireframe: false,
      motion: !reducedMotion,
      motionDurationSlow: '0.16s',
      motionDurationMid: '0.1s',
    },
    components: {
      Button: { fontWeight: 600, primaryShadow: 'none', defaultShadow: 'none' },
      Modal: { titleFontSize: TEXT_PX.title },
      Select: { optionSelectedBg: c.accentSoft },
      Segmented: { itemSelectedBg: c.accentSoft, trackBg: c.groundDeep },
      Tabs: { itemSelectedColor: c.accentText, itemHoverColor: c.accentText },
    },
  };
}
