/** A length in an SVG, mm, to the micrometer. */
export const mm = (length: number): string => String(Math.round(length * 1000) / 1000);

/** Words in an SVG: nothing in them is markup. */
export const escaped = (text: string): string =>
  text.replace(/[&<>"']/g, (letter) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&#39;' })[letter]!);
