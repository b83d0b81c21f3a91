import type { Finding } from '@dusky-spool/core/checks';
import { clashesOf } from '@dusky-spool/core/mounting';
import { onLevel, type ProjectDocument } from '@dusky-spool/core/project';
import { compareNumbers, planRun } from '@dusky-spool/core/runs';
import { formatCableLength } from '@dusky-spool/core/units';
import { findingSentence } from '@dusky-spool/texts';
import { text } from '../../app/text.ts';
import { useProject } from '../../state/project.ts';
import { RankMark } from '../../ui/RankMark.tsx';
import { RunTag } from '../../ui/RunTag.tsx';

const MOST = 6;
/** The card has room for everything it may say, so that its words never move the page while something is dragged, px. */
const HEAD_PX = 44;
const RUN_PX = 26;
const CLASHES_PX = 128;

/** What follows from where devices are held now: the length of their runs, and what keeps them from being built there. */
export function InHand() {
  const held = useProject(({ preview }) => (preview?.what === '' ? preview : null));
  if (!held) return null;
  const { document } = held;
  const ids = new Set(held.operations.flatMap(({ in: list, id }) => (list === 'devices' ? [id] : [])));
  if (ids.size === 0) return null;
  const { units } = document.project;
  const routes = new Map(Object.values(document.routes).map((route) => [route.runId, route]));
  const runs = Object.values(document.runs)
    .filter(({ deviceId }) => ids.has(deviceId))
    .sort((a, b) => compareNumbers(a.number, b.number))
    .slice(0, MOST);
  return (
    <section
      className="hand-card"
      aria-live="off"
      aria-label={text('plan.inHand')}
      style={{ height: HEAD_PX + runs.length * RUN_PX + CLASHES_PX }}
    >
      <div className="eyebrow">{text('plan.inHand')}</div>
      {runs.map((run) => {
        const { length } = planRun(document, run, routes.get(run.id) ?? null);
        return (
          <p key={run.id}>
            <RunTag number={run.number} /> <b>{length ? formatCableLength(length.cutLengthM, units) : text('run.noWay')}</b>
          </p>
        );
      })}
      {[...ids].slice(0, 2).flatMap((id) =>
        clashesHere(document, id).map(({ rank, code, figures }) => (
          <p key={`${id}${code}`} className={`hand-clash ${rank}`}>
            <RankMark rank={rank} /> {findingSentence({ code, figures } as unknown as Finding, units)}
          </p>
        )),
      )}
    </section>
  );
}

function clashesHere(document: ProjectDocument, id: string) {
  const device = document.devices[id];
  const near = onLevel(document, 'devices', device.levelId).filter(
    (other) => Math.abs(other.x - device.x) < 3 && Math.abs(other.y - device.y) < 3,
  );
  return clashesOf(document, device, near)
    .slice(0, 2)
    .map((one) => ({ ...one, figures: { device: document.deviceTypes[device.typeId].name, ...one.figures } }));
}
