/** Whole hundredths of a currency as people read them: `1 234.50 USD`. */
export function formatCents(cents: number, currency: string): string {
  const whole = Math.floor(Math.abs(cents) / 100);
  const grouped = String(whole).replace(/\B(?=(\d{3})+$)/g, ' ');
  return `${cents < 0 ? '−' : ''}${grouped}.${String(Math.abs(cents) % 100).padStart(2, '0')} ${currency}`;
}

/** A price as it was typed, in hundredths: 12.345 is 12.35. Halves go up. */
export const centsOf = (price: number): number => Math.round(price * 100 + Number.EPSILON * 100);
