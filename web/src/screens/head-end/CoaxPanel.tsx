import { type HeadEnd, type RfNode, rfOutlets, type RfService, type RfSource, solveRf } from '@dusky-spool/core/head-end';
import { WINDOWS } from '@dusky-spool/core/calculators';
import { problemSentence } from '@dusky-spool/texts';
import { useState } from 'react';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { Cautions } from '../../ui/Cautions.tsx';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { NumberField } from '../../ui/fields.tsx';

import css from './head-end.module.css';

const SERVICES = Object.keys(WINDOWS) as RfService[];
/** Ends of the band of each service, MHz. */
const BANDS: Readonly<Record<RfService, readonly [number, number]>> = {
  'cable-modem': [55, 1000],
  'analogue-catv': [55, 860],
  'off-air-8vsb': [55, 608],
  'off-air-cofdm': [470, 694],
  'dvb-c': [110, 862],
  fm: [88, 108],
  'satellite-if': [950, 2150],
};

/** The level at every coax outlet, and the splitters, amplifier and pads that bring each into its window. */
export function CoaxPanel({ headEnd }: { readonly headEnd: HeadEnd }) {
  const project = useProject();
  const [service, setService] = useState<RfService>('cable-modem');
  const [low, setLow] = useState(68);
  const [high, setHigh] = useState(66);
  const [lowestMhz, highestMhz] = BANDS[service];
  const source: RfSource = { service, lowestMhz, highestMhz, atLowestDbuv: low, atHighestDbuv: high };
  const outlets = rfOutlets(project, headEnd, source);
  if (outlets.length === 0) return <p className={css.empty}>{text('headEnd.rf.none')}</p>;
  const found = solveRf(source, outlets);
  const numberOf = new Map(outlets.map(({ id, number }) => [id, number]));
  const { least, most } = WINDOWS[service];
  return (
    <div className={css.panel}>
      <div className={css.fields}>
        <ChoiceField
          label={text('headEnd.rf.service')}
          value={service}
          options={SERVICES.map((value) => ({ value, label: text(`headEnd.rf.services.${value}`) }))}
          onChange={setService}
        />
        <NumberField label={text('headEnd.rf.level', { mhz: lowestMhz })} value={low} min={0} max={120} onChange={setLow} />
        <NumberField label={text('headEnd.rf.level', { mhz: highestMhz })} value={high} min={0} max={120} onChange={setHigh} />
      </div>
      <p className="faint">{text('headEnd.rf.window', { least, most })}</p>
      {!found.ok && <p className={css.badLine}>{problemSentence(found.problem, project.project.units)}</p>}
      {found.ok && (
        <>
          <p>
            {found.value.gainDb === 0
              ? text('headEnd.rf.noAmplifier')
              : text('headEnd.rf.amplifier', { gain: found.value.gainDb })}{' '}
            {text('headEnd.rf.terminators', { count: found.value.terminators })}
          </p>
          <ul className={css.tree}>
            <Branch node={found.value.tree} numberOf={numberOf} />
          </ul>
          <table className={css.table}>
            <thead>
              <tr>
                {(['run', 'low', 'high', 'pad'] as const).map((one) => (
                  <th key={one} scope="col">
                    {text(`headEnd.rf.columns.${one}`)}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {found.value.levels.map((one) => (
                <tr key={one.id}>
                  <th scope="row">{numberOf.get(one.id)}</th>
                  <td>{one.atLowestDbuv.toFixed(1)} dBµV</td>
                  <td>{one.atHighestDbuv.toFixed(1)} dBµV</td>
                  <td>{one.padDb === 0 ? '–' : `${one.padDb} dB`}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </>
      )}
      <Cautions ids={['C5', 'C6']} />
    </div>
  );
}

/** A splitter with what hangs on it, as a list in a list. */
function Branch({ node, numberOf }: { readonly node: RfNode; readonly numberOf: ReadonlyMap<string, string> }) {
  if (node.kind === 'unused') return <li className="faint">{text('headEnd.rf.terminated')}</li>;
  if (node.kind === 'outlet')
    return (
      <li>
        {numberOf.get(node.id)}
        {node.padDb > 0 && ` · ${text('headEnd.rf.padded', { db: node.padDb })}`}
      </li>
    );
  return (
    <li>
      {text('headEnd.rf.splitter', { ways: node.ways })}
      <ul>
        {node.outputs.map((one, n) => (
          <Branch key={n} node={one} numberOf={numberOf} />
        ))}
      </ul>
    </li>
  );
}
