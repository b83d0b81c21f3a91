import type { RoomTemplate } from '../../model/index.ts';

type Spot = readonly [typeId: string, along: number, across: number, name?: string, heightM?: number];

const template = (id: string, name: string, use: string, spots: readonly Spot[]): RoomTemplate => ({
  id,
  name,
  use,
  cells: [],
  devices: spots.map(([typeId, alongShare, acrossShare, words = '', heightM]) => ({
    typeId,
    name: words,
    alongShare,
    acrossShare,
    heightM: heightM ?? null,
  })),
});

/** Rooms that a new firm starts from: shares of the room's box, the display on the upper wall of the plan. */
export const ROOM_TEMPLATES: readonly RoomTemplate[] = [
  template('living-room', 'Living room', 'living', [
    ['display', 0.5, 1, '', 1.2],
    ['sound-bar', 0.5, 1, '', 0.7],
    ['subwoofer', 0.08, 0.92, '', 0.35],
    ['ceiling-speaker', 0.25, 0.3, 'left'],
    ['ceiling-speaker', 0.75, 0.3, 'right'],
    ['access-point', 0.5, 0.5],
    ['network-drop', 0.86, 1, 'beside the display', 0.4],
    ['network-drop', 0.3, 0, 'sofa', 0.4],
    ['keypad', 1, 0.12, 'at the door', 1.12],
    ['thermostat', 1, 0.24, '', 1.4],
    ['motion-sensor', 0, 0.95, '', 2.2],
    ['charging-point', 0.6, 0, 'sofa', 0.6],
  ]),
  template('bedroom', 'Bedroom', 'bedroom', [
    ['bedroom-display', 0.5, 1, '', 1.42],
    ['network-drop', 0.3, 0, 'bedside left', 0.6],
    ['network-drop', 0.7, 0, 'bedside right', 0.6],
    ['keypad', 0.25, 0, 'bedside', 0.9],
    ['ceiling-speaker', 0.3, 0.45, 'left'],
    ['ceiling-speaker', 0.7, 0.45, 'right'],
    ['keypad', 1, 0.9, 'at the door', 1.12],
  ]),
  template('theatre', 'Screening room 5.1.2', 'theatre', [
    ['screen', 0.5, 1, '', 2.2],
    ['projector', 0.5, 0.15],
    ['wall-speaker', 0.2, 1, 'front left', 1.1],
    ['wall-speaker', 0.5, 1, 'centre', 0.6],
    ['wall-speaker', 0.8, 1, 'front right', 1.1],
    ['wall-speaker', 0, 0.4, 'side left', 1.25],
    ['wall-speaker', 1, 0.4, 'side right', 1.25],
    ['theatre-ceiling-speaker', 0.3, 0.45, 'top left'],
    ['theatre-ceiling-speaker', 0.7, 0.45, 'top right'],
    ['subwoofer', 0.08, 0.92, '', 0.35],
    ['touch-panel', 1, 0.08, 'at the door', 1.35],
    ['network-drop', 0.9, 1, 'beside the screen', 0.4],
  ]),
];
