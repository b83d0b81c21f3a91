import { useProject } from '../../state/open-project.ts';
import type { CablingReport } from '@dusky-spool/core/sheets';
import type { Operation } from '@dusky-spool/core/model';
import { type FloorConduit, signFloorConduit } from '@dusky-spool/core/pathways';
import { formatCableLength, formatLength, formatThin, type Outcome } from '@dusky-spool/core/math';
import { term, text } from '../../ground/text.ts';
import { newRecordId } from '../../state/project.ts';
import { today } from '../../state/today.ts';
import { WordsField } from '../../ui/fields.tsx';
import { Button } from 'antd';
import { useState } from 'react';
import css from './pathways.module.css';

interface Props {
  readonly report: CablingReport;
  readonly onEdit: (title: string, operations: Outcome<Operation[]>) => boolean;
}

/** Conduits in the floor topping: what is dimensioned, photographed and signed before the pour. */
export function ScreedList({ report, onEdit }: Props) {
  return (
    <>
      <p className="caution">{text('ways.screedCaution')}</p>
      {report.screed.length === 0 && <p>{text('ways.noScreed')}</p>}
      {report.screed.map((pathway) => (
        <ScreedCard key={pathway.feature.id} way={pathway} onEdit={onEdit} />
      ))}
    </>
  );
}

function ScreedCard({ way: pathway, onEdit }: Omit<Props, 'report'> & { readonly way: FloorConduit }) {
  const project = useProject();
  const { units } = project.project;
  const { feature, lengthM, coverM, crossings, stubUps, sign } = pathway;
  const [by, setBy] = useState('');
  const [photo, setPhoto] = useState('');
  return (
    <section className={css.screedCard}>
      <h4>
        {feature.name || term('features.screed-way')} <span className="faint">{project.levels[feature.levelId]?.name}</span>
      </h4>
      <dl className="figures">
        <dt>{text('ways.length')}</dt>
        <dd>{formatCableLength(lengthM, units)}</dd>
        <dt>{text('ways.cover')}</dt>
        <dd>{formatThin(coverM, units)}</dd>
        {stubUps.map(({ at, fromWalls }, n) => (
          <div key={at.join()} className={css.contents}>
            <dt>{text('ways.stubUp', { n: n + 1 })}</dt>
            <dd>
              {fromWalls.length === 0
                ? text('ways.notKnown')
                : text('ways.fromWalls', {
                    distances: fromWalls.map(({ distanceM }) => formatLength(distanceM, units)).join(' / '),
                  })}
            </dd>
          </div>
        ))}
        {crossings.map(({ featureId, gapM }) => (
          <div key={featureId} className={css.contents}>
            <dt>
              {text('ways.crosses', {
                name: project.features[featureId].name || term(`features.${project.features[featureId].kind}`),
              })}
            </dt>
            <dd>{gapM < 0 ? text('ways.sameHeight') : text('ways.gap', { gap: formatThin(gapM, units) })}</dd>
          </div>
        ))}
      </dl>
      {sign ? (
        <p className="signed">{text('ways.signedBy', { by: sign.by, on: sign.on, photo: sign.photo })}</p>
      ) : (
        <div className="fields">
          <WordsField label={text('ways.by')} max={60} value={by} onChange={setBy} />
          <WordsField label={text('ways.photo')} max={200} value={photo} onChange={setPhoto} />
          <Button
            type="primary"
            onClick={() =>
              onEdit(
                text('ways.signTitle'),
                signFloorConduit(project, feature.id, { by, on: today(), photo, note: '' }, newRecordId('sg')),
              )
            }
          >
            {text('ways.sign')}
          </Button>
        </div>
      )}
    </section>
  );
}
