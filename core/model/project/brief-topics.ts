/** Columns of the brief: what each room and each outdoor area is asked about. */
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
  // What is asked of the site.
  'heating',
  'vehicle',
  'generator',
  'solar',
] as const;
/** Topics of the site: every outdoor area is asked about them, of the rooms only those where they are usual. */
export const SITE_TOPICS: readonly BriefTopic[] = ['heating', 'vehicle', 'generator', 'solar'];
export type BriefTopic = (typeof BRIEF_TOPICS)[number];
