import { theme, type ThemeConfig } from 'antd';

const LIGHT = {
  copper: '#b4592a',
  copperText: '#a34d21',
  vellum: '#f7f2e8',
  deep: '#efe7d8',
  paper: '#fffdf8',
  line: '#d9cfbd',
  ink: '#2b2733',
  soft: '#5d566a',
  faint: '#756d80',
  copperSoft: '#f3ddcf',
  stop: '#b2373c',
  look: '#8f610d',
  ok: '#4f7a3a',
};
const DUSK: typeof LIGHT = {
  // The dark algorithm takes 15 % off: buttons come out as #b4592a, on which white reads.
  copper: '#d0652e',
  copperText: '#eda377',
  vellum: '#221c2c',
  deep: '#2a2337',
  paper: '#2f273d',
  line: '#4a3f5e',
  ink: '#f1ecf6',
  soft: '#c9bfd8',
  faint: '#a99fc0',
  copperSoft: '#55362f',
  // Lighter than the token, for the same reason: text buttons of danger must still read on paper.
  stop: '#ffa3a6',
  look: '#dcae55',
  ok: '#93c47a',
};

/** The one Ant Design theme, from the design tokens. */
export function themeFor(dusk: boolean): ThemeConfig {
  const c = dusk ? DUSK : LIGHT;
  return {
    algorithm: dusk ? theme.darkAlgorithm : theme.defaultAlgorithm,
    token: {
      colorPrimary: c.copper,
      colorLink: c.copperText,
      colorError: c.stop,
      colorWarning: c.look,
      colorSuccess: c.ok,
      colorText: c.ink,
      colorTextSecondary: c.soft,
      colorTextTertiary: c.faint,
      colorTextPlaceholder: c.faint,
      colorBorder: c.line,
      colorBorderSecondary: c.line,
      colorBgBase: c.paper,
      colorBgContainer: c.paper,
      colorBgElevated: c.paper,
      colorBgLayout: c.vellum,
      controlItemBgActive: c.copperSoft,
      controlItemBgHover: c.deep,
      borderRadius: 5,
      fontFamily: "'Hanken Grotesk Variable', 'Spool Signs', sans-serif",
      fontSize: 14,
      controlHeight: 32,
      wireframe: false,
    },
    components: {
      Button: { fontWeight: 600, primaryShadow: 'none', defaultShadow: 'none' },
      Modal: { titleFontSize: 18 },
      Select: { optionSelectedBg: c.copperSoft },
      Segmented: { itemSelectedBg: c.copperSoft, trackBg: c.deep },
    },
  };
}
