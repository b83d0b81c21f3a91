import { HABIT_USE, type RoomBrief } from '@dusky-spool/core/model';
import { term, text } from '../ground/text.ts';
import { ChoiceField } from './ChoiceField.tsx';
import { NumberField, WordsField } from './fields.tsx';
import { SmallButton } from './SmallButton.tsx';
import css from './ui.module.css';

type Groups = RoomBrief['useGroups'];

interface Props {
  readonly groups: Groups;
  readonly onChange: (groups: Groups) => void;
}

const MOST_GROUPS = 12;

/** Who uses a room together, how many they are and how often: a line for each. */
export function UseGroups({ groups, onChange }: Props) {
  const change = (n: number, after: Partial<Groups[number]>) =>
    onChange(groups.map((one, k) => (k === n ? { ...one, ...after } : one)));
  return (
    <div className={css.useGroups}>
      {groups.map((one, n) => (
        <div key={n} className={css.useGroup}>
          <WordsField
            label={text('brief.useGroups.name', { n: n + 1 })}
            value={one.name}
            max={60}
            required
            onChange={(name) => change(n, { name })}
          />
          <NumberField
            label={text('brief.useGroups.people', { n: n + 1 })}
            value={one.people}
            min={1}
            max={60}
            onChange={(people) => change(n, { people })}
          />
          <ChoiceField
            label={text('brief.useGroups.used', { n: n + 1 })}
            value={one.used}
            options={HABIT_USE.map((value) => ({ value, label: term(`used.${value || 'none'}`) }))}
            onChange={(used) => change(n, { used })}
          />
          <SmallButton onClick={() => onChange(groups.filter((_, k) => k !== n))}>{text('brief.useGroups.remove')}</SmallButton>
        </div>
      ))}
      {groups.length < MOST_GROUPS && (
        <SmallButton
          onClick={() =>
            onChange([...groups, { name: text('brief.useGroups.new', { n: groups.length + 1 }), people: 2, used: 'weekly' }])
          }
        >
          {text('brief.useGroups.add')}
        </SmallButton>
      )}
    </div>
  );
}
