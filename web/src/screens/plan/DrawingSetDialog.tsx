import { DRAWING_PACKS, type DrawingPack } from '@dusky-spool/core/model';
import { Button, Modal, Segmented } from 'antd';
import { useState } from 'react';
import { text, term } from '../../ground/text.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { MadeBefore } from './MadeBefore.tsx';
import { paperName } from './paper-name.ts';
import { TitleBlock } from './TitleBlock.tsx';

interface Props {
  readonly projectId: string;
  readonly isOpen: boolean;
  readonly papers: readonly string[];
  readonly usualPaper: string;
  readonly onMake: (query: Readonly<Record<string, string>>) => void;
  readonly onClose: () => void;
}

/** Who the drawings are for and on which paper: each person gets the sheets that are needed there. */
export function DrawingSetDialog({ projectId, isOpen, papers, usualPaper, onMake, onClose }: Props) {
  const [pack, setPack] = useState<DrawingPack>('all');
  const [paper, setPaper] = useState(usualPaper);
  return (
    <Modal
      open={isOpen}
      title={text('schedule.set')}
      onCancel={onClose}
      footer={
        <>
          <Button onClick={() => onMake({ pack, paper, preview: 'yes' })}>{text('schedule.setPreview')}</Button>
          <Button type="primary" onClick={() => onMake({ pack, paper, preview: 'no' })}>
            {text('schedule.download')}
          </Button>
        </>
      }
    >
      <div className="ask">
        <p>{text('schedule.setLead')}</p>
        <ChoiceField
          label={text('schedule.setPack')}
          value={pack}
          options={DRAWING_PACKS.map((value) => ({ value, label: term(`packs.${value}`) }))}
          onChange={setPack}
        />
        <div className="eyebrow">{text('schedule.paper')}</div>
        <Segmented value={paper} onChange={setPaper} options={papers.map((value) => ({ value, label: paperName(value) }))} />
        <TitleBlock />
        {isOpen && <MadeBefore projectId={projectId} />}
      </div>
    </Modal>
  );
}
