import { addRouteRule, routeVia } from '../../commands/route-via.ts';
import { removeRecords } from '../../commands/remove-records.ts';
import { useProject } from '../../state/open-project.ts';
import { useByHand } from '../../state/by-hand.ts';
import { formatCableLength, type Point3 } from '@dusky-spool/core/math';
import type { ProjectDocument, RouteRule, Run } from '@dusky-spool/core/model';
import { listOf } from '@dusky-spool/core/derive';
import { HOLE_MEMBERS, type RoutedPath } from '@dusky-spool/core/routing';
import { term, text } from '../../ground/text.ts';
import { askChoices } from '../../state/derived.ts';
import { useAsked } from '../../state/useAsked.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import { useEffect, useState } from 'react';
import { Button, Select } from 'antd';
import css from './plan.module.css';

interface Props {
  readonly run: Run;
  readonly broken: readonly string[];
}

/** Why a run goes this way: what it costs against the next routes, and what a person wants of it. */
export function RouteOptions({ run, broken }: Props) {
  const project = useProject();
  const { edit, propose } = useProjectParts('edit', 'propose');
  const [open, setOpen] = useState(false);
  const found = useAsked(askChoices, open ? run.id : null);
  const choices = found?.ok ? found.value : null;
  const led = useByHand(({ runId }) => runId === run.id);
  const setLed = useByHand((state) => state.set);
  // Another run, or another screen, ends it.
  useEffect(() => () => setLed(null), [run.id, setLed]);
  const { units } = project.project;
  const rules = listOf(project, 'routeRules').filter(({ runId }) => runId === run.id || runId === null);
  const takeRoute = (points: readonly Point3[], id: string) => routeVia(project, { id, runId: run.id, points });
  const things = thingsOf(project);
  const add = (kind: RouteRule['kind'], value: string) => {
    const [target, id] = value.split('/') as [RouteRule['target'], string];
    edit(text(`way.${kind}`), [addRouteRule({ id: newRecordId('rr'), runId: run.id, kind, target, targetId: id, at: null })]);
  };
  return (
    <div className={css.wayChoices}>
      {rules.map((one) => (
        <p key={one.id} className={broken.includes(one.id) ? `${css.wayRule} broken` : css.wayRule}>
          <span>
            {text(`way.${one.kind}`)} {nameOf(project, one)}
            {broken.includes(one.id) && ` · ${text('way.broken')}`}
          </span>
          <Button size="small" type="text" onClick={() => edit(text('way.lift'), removeRecords('routeRules', [one]))}>
            {text('way.lift')}
          </Button>
        </p>
      ))}
      <div className="panel-buttons">
        <Button size="small" aria-expanded={open} onClick={() => setOpen(!open)}>
          {text('way.why')}
        </Button>
        <Button size="small" aria-pressed={led} onClick={() => setLed(led ? null : run.id)}>
          {text(led ? 'way.byHandEnd' : 'way.byHand')}
        </Button>
      </div>
      {open && choices && (
        <>
          <table className={css.wayTable}>
            <thead>
              <tr>
                <td />
                <th scope="col">{text('way.length')}</th>
                <th scope="col">{text('way.holes')}</th>
                <th scope="col">{text('way.cost')}</th>
                <td />
              </tr>
            </thead>
            <tbody>
              <Row name={text('way.taken')} way={choices.taken} />
              {choices.others.map(({ way: route, via }, n) => (
                <Row key={via.join()} name={text('way.other', { n: n + 1 })} way={route} than={choices.taken.costM}>
                  <Button
                    size="small"
                    onClick={() => propose(text('way.other', { n: n + 1 }), takeRoute(via, newRecordId('rr')))}
                  >
                    {text('way.look')}
                  </Button>
                </Row>
              ))}
            </tbody>
          </table>
          {choices.others.length === 0 && <p className="faint">{text('way.noOther')}</p>}
          <p className="faint">{text('way.costHint')}</p>
          {(['through', 'avoid'] as const).map((kind) => (
            <label key={kind} className="field">
              <span>{text(`way.${kind}`)}</span>
              <Select
                size="small"
                value={null}
                placeholder={text('way.pick')}
                aria-label={text(`way.${kind}`)}
                options={things.map(({ value, label }) => ({ value, label }))}
                onChange={(value: string | null) => value && add(kind, value)}
                popupMatchSelectWidth={false}
              />
            </label>
          ))}
        </>
      )}
    </div>
  );

  function Row({
    name,
    way: route,
    than,
    children,
  }: {
    readonly name: string;
    readonly way: RoutedPath;
    readonly than?: number;
    readonly children?: React.ReactNode;
  }) {
    const count = HOLE_MEMBERS.flatMap((member) => {
      const holes = route.holes.filter((hole) => hole.member === member).length;
      return holes > 0 ? [`${holes} ${term(`members.${member}`).toLowerCase()}`] : [];
    });
    const costM = than === undefined ? route.costM : route.costM - than;
    return (
      <tr>
        <th scope="row">{name}</th>
        <td>{formatCableLength(route.riseM + route.runM + route.dropM, units)}</td>
        <td title={count.join(', ')}>{route.holes.length}</td>
        <td>
          {than !== undefined && Math.abs(costM) < 0.05
            ? text('way.same')
            : (than === undefined ? '' : costM < 0 ? '−' : '+') + formatCableLength(Math.abs(costM), units)}
        </td>
        <td>{children}</td>
      </tr>
    );
  }
}

/** What a route can be led through or kept away from, by name. */
function thingsOf(project: ProjectDocument): { readonly value: string; readonly label: string }[] {
  const routes = new Set([
    'chase',
    'disused-chimney',
    'conduit',
    'crawl-space',
    'basement-ceiling',
    'soffit-way',
    'outside-wall-way',
    'underground-way',
    'screed-way',
    'surface-channel',
  ]);
  return [
    ...listOf(project, 'risers').map(({ id, name }) => ({ value: `riser/${id}`, label: name })),
    ...listOf(project, 'features').flatMap(({ id, kind, name }) =>
      routes.has(kind) ? [{ value: `feature/${id}`, label: name || term(`features.${kind}`) }] : [],
    ),
    ...listOf(project, 'rooms').map(({ id, name, levelId }) => ({
      value: `room/${id}`,
      label: text('way.overRoom', { room: name, level: project.levels[levelId].name }),
    })),
  ];
}

function nameOf(project: ProjectDocument, { target, targetId }: RouteRule): string {
  if (target === 'point') return text('way.point');
  return thingsOf(project).find(({ value }) => value === `${target}/${targetId}`)?.label ?? text('way.gone');
}
