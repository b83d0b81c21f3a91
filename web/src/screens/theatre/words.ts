/** An angle in words, or a dash where there is none. */
export const deg = (value: number | null | undefined, digits = 1): string =>
  value === null || value === undefined ? '–' : `${value.toFixed(digits)}°`;
