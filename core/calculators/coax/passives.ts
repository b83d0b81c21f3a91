/** Insertion loss of passives, dB: to 1002 MHz and 950 to 2150 MHz (ENGINEERING 5.2, the larger). */
export const PASSIVES: Readonly<Record<string, readonly [number, number]>> = {
  'splitter-2': [4, 5],
  'splitter-3': [6.5, 8],
  'splitter-4': [7.5, 9.5],
  'splitter-6': [10.5, 13],
  'splitter-8': [11.5, 14],
  'tap-through-6': [2.5, 3.5],
  'tap-through-9': [1.6, 2.6],
  'tap-through-12': [1, 2],
  'tap-through-16': [0.8, 1.8],
  'tap-through-20': [0.7, 1.7],
  'tap-through-24': [0.6, 1.6],
  'tap-6': [6, 6],
  'tap-9': [9, 9],
  'tap-12': [12, 12],
  'tap-16': [16, 16],
  'tap-20': [20, 20],
  'tap-24': [24, 24],
  diplexer: [1, 1.5],
};

/** Windows at the outlet, dBuV, with the target to plan for (ENGINEERING 5.3). */
export const WINDOWS = {
  'cable-modem': { least: 45, most: 75, planLeast: 53, planMost: 67 },
  'analogue-catv': { least: 60, most: 75, planLeast: 63, planMost: 70 },
  'off-air-8vsb': { least: 26, most: 100, planLeast: 50, planMost: 80 },
  'off-air-cofdm': { least: 47, most: 74, planLeast: 50, planMost: 70 },
  'dvb-c': { least: 54, most: 74, planLeast: 60, planMost: 70 },
  fm: { least: 50, most: 70, planLeast: 55, planMost: 65 },
  'satellite-if': { least: 47, most: 77, planLeast: 52, planMost: 72 },
} as const;
