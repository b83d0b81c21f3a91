/** dBm and dBmV at 75 ohm lie this far apart: 10·log10(75 ohm·1 mW/(1 mV)²), rounded as tables have it. */
export const DBMV_OVER_DBM = 48.75;
