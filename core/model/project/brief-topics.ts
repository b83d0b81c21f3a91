/** Columns of the brief: what each room is asked about. */
export const BRIEF_TOPICS = [
  'sound',
  'surround',
  'display',
  'network',
  'wifi',
  'keypad',
  'camera',
  'shade',
  'light',
  'climate',
  'security',
  'door',
  'charging',
  'coax',
] as const;
export type BriefTopic = (typeof BRIEF_TOPICS)[number];
