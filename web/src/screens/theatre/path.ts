/** Lines through points of a sheet, px. */
export const pathOf = (points: readonly (readonly [number, number])[], isClosed: boolean): string =>
  points.length === 0 ? '' : `M${points.map(([x, y]) => `${x.toFixed(1)},${y.toFixed(1)}`).join('L')}${isClosed ? 'Z' : ''}`;
