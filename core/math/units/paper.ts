/** Sheets upright, width and height, mm (ISO 216; US sizes 8.5 by 11 in and 11 by 17 in). */
export const PAPER_MM = {
  A4: [210, 297],
  A3: [297, 420],
  A2: [420, 594],
  A1: [594, 841],
  Letter: [215.9, 279.4],
  Tabloid: [279.4, 431.8],
  ArchD: [609.6, 914.4],
} as const;
