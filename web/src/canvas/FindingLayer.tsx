import { openOf } from '@dusky-spool/core/rules';
import type { Derived, DerivedFinding } from '@dusky-spool/core/deltas';
import type { Point2 } from '@dusky-spool/core/math';
import type { ProjectDocument } from '@dusky-spool/core/model';
import { today } from '../state/today.ts';
import { findingSentence } from '@dusky-spool/texts';
import { placesOf } from './finding-places.ts';
import css from './canvas.module.css';

interface Props {
  readonly project: ProjectDocument;
  readonly derived: Derived;
  readonly levelId: string;
}

/** Stops and looks at their places on the plan, the worst of each place. */
export function FindingLayer({ project, derived, levelId }: Props) {
  const places = new Map<string, { at: Point2; finding: DerivedFinding; count: number }>();
  for (const finding of openOf(project, derived.findings, today())) {
    if (finding.rank === 'fine') continue;
    for (const at of placesOf(project, finding, levelId).slice(0, 40)) {
      const key = at.map((value) => value.toFixed(1)).join();
      const there = places.get(key);
      if (!there) places.set(key, { at, finding, count: 1 });
      else
        places.set(key, { ...there, count: there.count + 1, finding: there.finding.rank === 'stop' ? there.finding : finding });
    }
  }
  return (
    <g className="finding-marks">
      {[...places].map(
        ([
          key,
          {
            at: [x, y],
            finding,
            count,
          },
        ]) => (
          <g key={key} transform={`translate(${x},${y})`}>
            <g className={`upright ${css.findingMarkOn} ${finding.rank}`}>
              {finding.rank === 'stop' ? <path d="M4-25h8l6 6v8l-6 6h-8l-6-6v-8z" /> : <path d="M8-26 19-6H-3z" />}
              <text x="8" y="-9">
                {count > 1 ? count : finding.rank === 'stop' ? '×' : '!'}
              </text>
              <title>{findingSentence(finding, project.project.units)}</title>
            </g>
          </g>
        ),
      )}
    </g>
  );
}
