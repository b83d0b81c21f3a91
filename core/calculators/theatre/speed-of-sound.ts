/** Speed of sound at 20 C, m/s (ENGINEERING 10). */
export const SOUND_M_PER_S = 343.2;

/** Speed of sound in dry air, m/s, by its temperature in degrees C. */
export const soundSpeed = (temperatureC: number): number =>
  temperatureC === 20 ? SOUND_M_PER_S : 331.3 * Math.sqrt(1 + temperatureC / 273.15);
