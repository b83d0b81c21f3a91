/** A sum without small change: costs of the brief are bands of ±40 %. */
export const money = (value: number): string => {
  const round = value >= 1000 ? Math.round(value / 10) * 10 : Math.round(value);
  return round.toLocaleString('en-GB');
};
