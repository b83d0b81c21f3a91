import { doublePorts } from '../head-end/index.ts';
import { defineCheck, type RuleFinding, say } from './check.ts';
import { equipmentName, HEAD_END_NODES, inHeadEnds, ofEquipment, ofRack } from './head-end-subjects.ts';

/** Every run ends on a port of its own, and a quarter is spare (ENGINEERING 15.1). */
export const headEndPorts = defineCheck({
  id: 'head-end-ports',
  title: 'Every run ends on a port',
  source: 'Trade practice: a quarter spare',
  severity: 'stop',
  stage: 'cabling',
  appliesTo: 'racks',
  reads: ['racks'],
  nodes: [...HEAD_END_NODES],
  run: ({ read }) =>
    inHeadEnds(read, (headEnd, parts): RuleFinding[] => {
      const rack = headEnd.rack.name;
      const short = headEnd.ports.flatMap(({ kind, needed, wanted, there }) =>
        there >= wanted
          ? []
          : [
              say(
                there < needed ? 'stop' : 'look',
                there < needed ? 'ports-short' : 'ports-no-spare',
                ofRack(headEnd),
                { number: headEnd.rack.code, rack, portKind: kind, needed, wanted, there },
                { measured: there, allowed: there < needed ? needed : wanted },
              ),
            ],
      );
      const twice = doublePorts(headEnd, parts).map(({ equipmentId, port }) =>
        say('stop', 'port-taken-twice', ofEquipment(equipmentId), { rack, equipment: equipmentName(headEnd, equipmentId), port }),
      );
      const open = headEnd.open.filter(({ kind }) => headEnd.ports.some((one) => one.kind === kind && one.there > one.used));
      const unplugged = open.map(({ runId, number, kind }) =>
        say('fine', 'run-on-no-port', [{ in: 'runs', id: runId }], { number, rack, portKind: kind }),
      );
      return [...short, ...twice, ...unplugged];
    }),
});
