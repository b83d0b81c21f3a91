export const FONTS = {
  ui: "'Hanken Grotesk Variable', 'Spool Signs', sans-serif",
  tag: "'Barlow Semi Condensed', 'Spool Signs', sans-serif",
  id: "'Spline Sans Mono', monospace",
} as const;

/** The five sizes of text, px: notes and figures in drawings, text, headings of parts, headings of screens, the door. */
export const TEXT_PX = { small: 12, base: 13, large: 16, title: 20, display: 28 } as const;

/** The scale of paddings, margins and gaps, px. */
export const SPACE_PX = [2, 4, 6, 8, 12, 16, 24, 32, 48] as const;
