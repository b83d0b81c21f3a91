import {
  answeringDevices,
  briefCost,
  briefOf,
  cellOf,
  comparePackage,
  notDiscussed,
  openDecisions,
  placeOf,
  placesOf,
  preparedState,
  requirementsOf,
} from '@dusky-spool/core/brief';
import { BRIEF_TOPICS, type ProjectDocument } from '@dusky-spool/core/model';
import { planRuns } from '@dusky-spool/core/runs';
import { en } from '@dusky-spool/texts';

/** What the brief says of every room and outdoor area, with its cost, what is missing on the plan, open decisions and the builder's package. */
function briefReport(project: ProjectDocument, today: string) {
  const { all, byPlace } = briefCost(project);
  const requirements = new Map(requirementsOf(project, planRuns(project)).map((one) => [one.cell.id, one]));
  const places = placesOf(project).map((place) => ({
    id: place.id,
    name: place.name,
    isOutdoors: place.in === 'features',
    cost: byPlace.get(place.id)?.now ?? 0,
    signedOn: briefOf(project, place.id)?.signedOn ?? '',
    notDiscussed: notDiscussed(project, place.id),
    answers: BRIEF_TOPICS.flatMap((topic) => {
      const cell = cellOf(project, place.id, topic);
      if (!cell) return [];
      const requirement = requirements.get(cell.id);
      return [
        {
          topic,
          answer: cell.answer,
          count: cell.count,
          layout: cell.layout,
          placed: answeringDevices(project, cell).length,
          missing: requirement?.missing ?? 0,
          openChannels: requirement?.openChannels ?? [],
        },
      ];
    }),
  }));
  const decisions = openDecisions(project, today)
    .filter(({ device }) => device === null)
    .map(({ decision, superset, lastSafeOn }) => {
      const { devices, runs, missing } = preparedState(project, decision);
      return {
        subject: decision.subject,
        lastSafeOn,
        superset: superset.map(({ cableTypeId, count }) => ({ cableTypeId, count })),
        devices: devices.length,
        prepared: runs.map(({ number }) => number),
        missing,
      };
    });
  const { missing, beyond, work } = comparePackage(project);
  const named = (placeId: string) => placeOf(project, placeId)?.name ?? '';
  return {
    cost: all,
    places,
    decisions,
    package: {
      missing: missing.map(({ placeId, ...rest }) => ({ place: named(placeId), ...rest })),
      beyond: beyond.map(({ placeId, ...rest }) => ({ place: named(placeId), ...rest })),
      work: work.map(({ line, task, by }) => ({ words: line.words, task, by })),
    },
  };
}

export function briefText(project: ProjectDocument, asJson: boolean, today: string): string {
  const report = briefReport(project, today);
  if (asJson) return JSON.stringify({ project: project.project.name, currency: project.project.currency, ...report }, null, 2);
  const { topics, answers } = en.terms;
  return [
    ...report.places.flatMap(({ name, answers: own, cost, notDiscussed: open }) => [
      `${name}: ${project.project.currency} ${cost.toFixed(0)}${open.length > 0 ? `, ${open.length} not discussed` : ''}`,
      ...own
        .filter(({ answer }) => answer !== 'nothing')
        .map(
          ({ topic, answer, count, placed, layout }) =>
            `  ${topics[topic]}: ${answers[answer]}, ${layout || count}, ${placed} on the plan`,
        ),
    ]),
    ...report.decisions.map(
      ({ subject, prepared, missing }) => `${subject}: ${prepared.length} cables prepared, ${missing.length} missing`,
    ),
    `Builder's package: ${report.package.missing.length} missing, ${report.package.beyond.length} beyond the brief`,
  ].join('\n');
}
