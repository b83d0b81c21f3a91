import { listOf } from '@dusky-spool/core/derive';
import { reserveBlock } from '@dusky-spool/core/runs';
import { Button } from 'antd';
import { useOwnName } from '../../ground/api/session.ts';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import { useSettings } from '../../state/settings.ts';
import { today } from '../../state/today.ts';

/** Device numbers reserved for somebody who works offline. */
export function NumberBlocks() {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const { numberHolder, set } = useSettings();
  const name = useOwnName();
  const blocks = listOf(project, 'numberBlocks');
  const reserve = () => {
    const holder = numberHolder || `${name || text('labels.somebody')} ${newRecordId('h').slice(-4)}`;
    if (edit(text('labels.take'), reserveBlock(project, holder, today(), newRecordId('nb')))) set({ numberHolder: holder });
  };
  const hasOwn = blocks.some(({ holder }) => holder === numberHolder);
  return (
    <>
      <h3>{text('labels.blocks')}</h3>
      {blocks.map((block) => (
        <p key={block.id}>
          {text('labels.block', { holder: block.holder, from: block.from, to: block.to })}
          {block.holder === numberHolder && ` ${text('labels.mine')}`}
        </p>
      ))}
      {!hasOwn && (
        <Button size="small" onClick={reserve}>
          {text('labels.take')}
        </Button>
      )}
      <p className="faint">{text('labels.blockHint')}</p>
    </>
  );
}
