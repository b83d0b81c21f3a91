import { partOf, pickedFrom } from '../derive/index.ts';
import type { Device } from '../model/index.ts';
import { defineCheck, type RuleFinding, say } from './check.ts';

const THERMOSTATS = partOf('thermostats', 'devices', ({ typeId, roomId }) => typeId === 'thermostat' && roomId !== null);

/** Two thermostats in one room work against each other: one for each zone. */
export const oneThermostat = defineCheck({
  id: 'one-thermostat',
  stage: 'devices',
  title: 'Each room has one thermostat',
  source: 'Trade practice of climate zones',
  severity: 'look',
  appliesTo: 'devices',
  reads: ['rooms'],
  nodes: [THERMOSTATS],
  run: ({ project }) => {
    const byRoom = new Map<string, Device[]>();
    for (const device of pickedFrom(project, THERMOSTATS)) {
      const there = byRoom.get(device.roomId!);
      if (there) there.push(device);
      else byRoom.set(device.roomId!, [device]);
    }
    return [...byRoom].flatMap(([roomId, devices]): RuleFinding[] =>
      devices.length < 2
        ? []
        : [
            say(
              'look',
              'climate-twice',
              devices.toReversed().map(({ id }) => ({ in: 'devices' as const, id })),
              { number: project.rooms[roomId].code, room: project.rooms[roomId].name, count: devices.length },
              { measured: devices.length, allowed: 1 },
            ),
          ],
    );
  },
});
