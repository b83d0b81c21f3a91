/** Zoomed out, beads are dots; zoomed in, the true size shows as well. */
export type DeviceDetail = 'dots' | 'beads' | 'true-size';

const DOTS_BELOW = 17;
const TRUE_SIZE_ABOVE = 110;

/** `scale` in px per m. */
export const detailAt = (scale: number): DeviceDetail =>
  scale < DOTS_BELOW ? 'dots' : scale > TRUE_SIZE_ABOVE ? 'true-size' : 'beads';
