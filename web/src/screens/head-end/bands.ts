import type { RfServiceName } from '@dusky-spool/core/model';

/** Ends of the band of each service, MHz. */
export const BANDS: Readonly<Record<RfServiceName, readonly [number, number]>> = {
  'cable-modem': [55, 1000],
  'analogue-catv': [55, 860],
  'off-air-8vsb': [55, 608],
  'off-air-cofdm': [470, 694],
  'dvb-c': [110, 862],
  fm: [88, 108],
  'satellite-if': [950, 2150],
};
