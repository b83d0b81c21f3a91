import { Drawer } from 'antd';
import { findingKey } from '@dusky-spool/core/rules';
import type { DerivedFinding } from '@dusky-spool/core/deltas';
import type { UnitSystem } from '@dusky-spool/core/math';
import { term, text } from '../ground/text.ts';
import { FindingCard } from './FindingCard.tsx';
import { useFocusBack } from './useFocusBack.ts';

interface Props {
  readonly open: boolean;
  readonly findings: readonly DerivedFinding[];
  readonly units: UnitSystem;
  readonly onShow: (finding: DerivedFinding) => void;
  readonly onClose: () => void;
}

/** Everything that is found at the moment, the worst first; it lies over any screen. */
export function FindingDrawer({ open, findings, units, onShow, onClose }: Props) {
  useFocusBack(open);
  const told = (['stop', 'look'] as const).flatMap((rank) => findings.filter((finding) => finding.rank === rank));
  return (
    <Drawer
      open={open}
      onClose={onClose}
      title={text('header.findings')}
      size={400}
      focusable={{ focusTriggerAfterClose: false }}
    >
      {findings.length === 0 && <p>{text('header.noFindings')}</p>}
      {told.map((finding) => (
        <FindingCard key={findingKey(finding)} finding={finding} units={units} onShow={() => onShow(finding)} />
      ))}
      {findings.length > 0 && (
        <p className="faint">
          {findings.length - told.length} {term('ranks.fine').toLowerCase()}. {text('aid')}
        </p>
      )}
    </Drawer>
  );
}
