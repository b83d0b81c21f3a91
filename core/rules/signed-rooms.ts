import { notDiscussed, placeIdOf, placeOf, withdrawSignature } from '../brief/index.ts';
import { listOf } from '../derive/index.ts';
import { defineCheck, type RuleFinding, say } from './check.ts';

/** A room or outdoor area that was signed with a topic nobody has talked about since. */
export const signedRooms = defineCheck({
  id: 'signed-rooms',
  stage: 'brief',
  title: 'No signed room or outdoor area has a topic that was not discussed',
  source: 'Trade practice',
  severity: 'look',
  appliesTo: 'rooms',
  reads: ['briefCells', 'features', 'levels', 'roomBriefs', 'rooms'],
  run: ({ project }) =>
    listOf(project, 'roomBriefs').flatMap((brief): RuleFinding[] => {
      if (brief.signedOn === '') return [];
      const place = placeOf(project, placeIdOf(brief));
      const open = place ? notDiscussed(project, place.id) : [];
      if (!place || open.length === 0) return [];
      return [
        say(
          'look',
          'signed-not-discussed',
          [{ in: place.in, id: place.id }],
          { number: place.code, room: place.name, count: open.length },
          {
            measured: open.length,
            allowed: 0,
            cures: ({ roomBriefs }) => {
              const now = roomBriefs[brief.id];
              const operations = now ? withdrawSignature(now) : [];
              return operations.length > 0 ? [{ code: 'take-signature-back', figures: { room: place.name }, operations }] : [];
            },
          },
        ),
      ];
    }),
});
