import { useProject } from '../../state/open-project.ts';
import type { Run } from '@dusky-spool/core/model';
import type { BothRoutes } from '@dusky-spool/core/pathways';
import { formatCableLength } from '@dusky-spool/core/math';
import { useMaySeeCosts } from '../../ground/api/session.ts';
import { text } from '../../ground/text.ts';
import { askBothRoutes } from '../../state/derived.ts';
import { money } from '../../ui/money.ts';
import { Button } from 'antd';
import { useState } from 'react';
import { problemSentence } from '@dusky-spool/texts';
import css from './plan.module.css';

interface Props {
  readonly run: Run;
}

/** In a finished house: the run in the wall beside the same run on the surface, each with what it opens, shows and costs. */
export function BothRoutes({ run }: Props) {
  const project = useProject();
  const maySeeCosts = useMaySeeCosts();
  const [both, setBoth] = useState<BothRoutes | null>(null);
  const { units, currency } = project.project;
  if (!both)
    return (
      <Button size="small" onClick={() => void askBothRoutes(run.id).then(setBoth)}>
        {text('both.ask')}
      </Button>
    );
  const { inWall, surface } = both;
  const on = surface.ok ? surface.value : null;
  const rows: readonly (readonly [string, string, string])[] = [
    [
      text('both.length'),
      '',
      on ? text('both.channelOf', { length: formatCableLength(on.channelM + on.uprightM, units), count: on.lengths }) : '',
    ],
    [
      text('both.corners'),
      '',
      on ? text('both.cornersOf', { inside: on.insideCorners, outside: on.outsideCorners, flat: on.flatCorners }) : '',
    ],
    [
      text('both.holes'),
      inWall ? text('both.openings', { count: inWall.openings }) : '',
      on ? text('both.pierced', { count: on.wallsPierced + on.floorsPierced }) : '',
    ],
    [text('both.colour'), '', on ? project.project.channelColour : ''],
    [text('both.patched'), inWall ? `${inWall.openedM2.toFixed(2)} m²` : '', ''],
    [text('both.painted'), inWall ? `${inWall.paintedM2.toFixed(1)} m²` : '', on ? `${on.paintedM2.toFixed(1)} m²` : ''],
    [text('both.seen'), '', on ? formatCableLength(on.visibleM, units) : ''],
    [text('both.hours'), inWall ? inWall.hours.toFixed(1) : '', on ? on.hours.toFixed(1) : ''],
    ...(!maySeeCosts
      ? []
      : [
          [
            text('both.price'),
            inWall ? `${currency} ${money(inWall.price)}` : '',
            on ? `${currency} ${money(on.price)}` : '',
          ] as const,
        ]),
  ];
  return (
    <>
      <table className={css.wayTable}>
        <thead>
          <tr>
            <td />
            <th scope="col">{text('both.inWall')}</th>
            <th scope="col">{text('both.onSurface')}</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(([name, wall, channel]) => (
            <tr key={name}>
              <th scope="row">{name}</th>
              <td>{wall}</td>
              <td>{channel}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {!surface.ok && <p className="faint">{problemSentence(surface.problem, units)}</p>}
      <p className="faint">{text('both.band')}</p>
    </>
  );
}
