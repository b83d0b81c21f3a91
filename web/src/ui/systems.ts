import type { SystemName } from '@dusky-spool/core/model';

/** Colour only repeats what dash pattern and letter code say; patterns are in screen pixels. */
export const SYSTEM_STYLE: Readonly<Record<SystemName, { colour: string; dash: string }>> = {
  sound: { colour: 'var(--sound)', dash: '' },
  picture: { colour: 'var(--picture)', dash: '12 4' },
  data: { colour: 'var(--data)', dash: '7 3' },
  coax: { colour: 'var(--coax)', dash: '3 3' },
  control: { colour: 'var(--control)', dash: '8 3 2 3 2 3' },
  shade: { colour: 'var(--shade)', dash: '1.5 4' },
  light: { colour: 'var(--light)', dash: '5 2 1 2' },
  guard: { colour: 'var(--guard)', dash: '10 3 2 3' },
};
