import { useProject } from '../state/open-project.ts';
import { listOf } from '@dusky-spool/core/derive';
import { text } from '../ground/text.ts';
import { ChoiceField } from './ChoiceField.tsx';

/** A room, or the whole house. */
export function RoomField({
  value,
  onChange,
}: {
  readonly value: string | null;
  readonly onChange: (roomId: string | null) => void;
}) {
  const project = useProject();
  return (
    <ChoiceField
      label={text('brief.room')}
      value={value ?? ''}
      options={[
        { value: '', label: text('brief.wholeHouse') },
        ...listOf(project, 'rooms').map(({ id, code, name }) => ({ value: id, label: `${code} · ${name}` })),
      ]}
      onChange={(roomId) => onChange(roomId || null)}
    />
  );
}
