/** Ids that count up: `device_1`, `run_1_1`. */
export function countingIds() {
  let devices = 0;
  return () => {
    const n = ++devices;
    return { device: `d${n}`, run: (leg: number) => `r${n}x${leg}` };
  };
}
