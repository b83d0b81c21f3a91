import type { ConductorMap, ProjectHeader } from '../../model/index.ts';

type Colours = ProjectHeader['speakerColours'];

/** The four conductors of a stereo speaker cable in the project's convention (ENGINEERING 16.3). */
export const stereoLines = (colours: Colours): ConductorMap['lines'] =>
  (colours === 'white-black-first' ? ['white', 'black', 'red', 'green'] : ['red', 'black', 'white', 'green']).map(
    (conductor, i) => ({ conductor, use: ['left +', 'left −', 'right +', 'right −'][i] }),
  );

const map = (id: string, name: string, uses: Readonly<Record<string, string>>, note = ''): ConductorMap => ({
  id,
  name,
  lines: Object.entries(uses).map(([conductor, use]) => ({ conductor, use })),
  note,
});

/** Maps that a new project starts with: ENGINEERING 16.3 and 17; a firm or project changes them. */
export const CONDUCTOR_MAPS: readonly ConductorMap[] = [
  map('speaker_2', 'One speaker', { 'red or marked': '+', 'black or plain': '−' }),
  { id: 'speaker_4', name: 'Stereo pair', lines: stereoLines('white-black-first'), note: 'The same at both ends.' },
  map('t568b', 'Network, T568B', {
    'white-orange': 'pair 2, 1',
    orange: 'pair 2, 2',
    'white-green': 'pair 3, 3',
    blue: 'pair 1, 4',
    'white-blue': 'pair 1, 5',
    green: 'pair 3, 6',
    'white-brown': 'pair 4, 7',
    brown: 'pair 4, 8',
  }),
  map(
    'camera_dc',
    'Camera supply over category cable',
    { 'blue pair': '12 V +', 'brown pair': '12 V −', 'orange pair': 'picture', 'green pair': 'alarm contact' },
    'Pairs of one polarity together; say so on the label.',
  ),
  map('infrared', 'Infrared', { 'white-blue': 'signal', blue: '0 V', 'white-orange': '12 V +' }),
  map('trigger', 'Trigger 12 V', { red: '12 V +', black: '0 V' }),
  map('serial', 'Serial control', { 'white-orange': 'send', orange: 'receive', blue: '0 V' }),
  map('contact', 'Contact', { 'any two': 'zone loop' }),
  map('sensor_4', 'Sensor', { red: '12 V +', black: '0 V', green: 'zone loop', white: 'zone loop' }),
  map('phone_pair', 'Telephone pair', { 'white-blue': 'line a', blue: 'line b' }),
  map('bus_4', 'Keypad bus', { red: '12 V +', black: '0 V', green: 'data a', white: 'data b' }),
  map('shade_bus', 'Shade supply and bus', { 'red 16': '24 V +', 'black 16': '0 V', 'white 22': 'data a', 'green 22': 'data b' }),
  map('strip_6', 'Colour strip', {
    red: 'supply +',
    brown: 'supply +',
    black: 'red −',
    green: 'green −',
    blue: 'blue −',
    white: 'white −',
  }),
  map(
    'climate_8',
    'Heating and cooling',
    {
      red: '24 V',
      blue: 'common',
      white: 'heat',
      yellow: 'cool',
      green: 'fan',
      orange: 'change-over',
      brown: 'spare',
      black: 'spare',
    },
    'As the equipment names its terminals; the installer of the equipment decides.',
  ),
  map('panel_2', 'Alarm touch panel', { red: 'supply and data +', black: 'supply and data −', green: 'spare', white: 'spare' }),
  map('lock_4', 'Lock', { red: 'supply +', black: 'supply −', green: 'door contact', white: 'request to exit' }),
];

/** Usual connectors and map of a cable family at the device and at the far end. */
export const FAMILY_ENDS: Readonly<Record<string, readonly [device: string, far: string, mapId: string | null]>> = {
  spk_2: ['bare ends', 'binding post', 'speaker_2'],
  spk_4: ['bare ends', 'binding post', 'speaker_4'],
  cat: ['8P8C jack', '8P8C patch', 't568b'],
  coax: ['F plug', 'F plug', null],
  ctl_2: ['screw block', 'screw block', 'trigger'],
  ctl_4: ['screw block', 'screw block', 'bus_4'],
  ctl_8: ['screw block', 'screw block', 'climate_8'],
  sec_2: ['crimp splice', 'screw block', 'contact'],
  sec_4: ['screw block', 'screw block', 'sensor_4'],
  led: ['lever block', 'lever block', 'strip_6'],
  shade: ['plug, 4 way', 'screw block', 'shade_bus'],
  hdmi: ['picture plug', 'picture plug', null],
  fibre: ['LC duplex', 'LC duplex', null],
  conduit: ['box, pull string', 'box, pull string', null],
  bond: ['ring lug', 'ring lug', null],
};
