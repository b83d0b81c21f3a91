import { cellOf, withdrawSignature } from '../brief/index.ts';
import { BRIEF_TOPICS } from '../model/index.ts';
import { listOf } from '../derive/index.ts';
import { defineCheck, type RuleFinding, say } from './check.ts';

/** A room that was signed with a topic nobody has talked about since. */
export const signedRooms = defineCheck({
  id: 'signed-rooms',
  stage: 'brief',
  title: 'No signed room has a topic that was not discussed',
  source: 'Trade practice',
  severity: 'look',
  appliesTo: 'rooms',
  reads: ['briefCells', 'roomBriefs', 'rooms'],
  run: ({ project }) =>
    listOf(project, 'roomBriefs').flatMap((brief): RuleFinding[] => {
      if (brief.signedOn === '') return [];
      const open = BRIEF_TOPICS.filter((topic) => !cellOf(project, brief.roomId, topic));
      if (open.length === 0) return [];
      const room = project.rooms[brief.roomId];
      return [
        say(
          'look',
          'signed-not-discussed',
          [{ in: 'rooms', id: room.id }],
          { number: room.code, room: room.name, count: open.length },
          {
            measured: open.length,
            allowed: 0,
            cures: ({ roomBriefs }) => {
              const now = roomBriefs[brief.id];
              const operations = now ? withdrawSignature(now) : [];
              return operations.length > 0 ? [{ code: 'take-signature-back', figures: { room: room.name }, operations }] : [];
            },
          },
        ),
      ];
    }),
});
