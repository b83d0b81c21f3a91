import { placeFields, placeIdOf, placesOf } from '@dusky-spool/core/brief';
import { useProject } from '../state/open-project.ts';
import { text } from '../ground/text.ts';
import { ChoiceField } from './ChoiceField.tsx';

type Place = ReturnType<typeof placeFields>;

/** A room, an outdoor area, or the whole house. */
export function PlaceField({ value, onChange }: { readonly value: Place; readonly onChange: (place: Place) => void }) {
  const project = useProject();
  return (
    <ChoiceField
      label={text('brief.room')}
      value={placeIdOf(value)}
      options={[
        { value: '', label: text('brief.wholeHouse') },
        ...placesOf(project).map(({ id, code, name }) => ({ value: id, label: code === '' ? name : `${code} · ${name}` })),
      ]}
      onChange={(placeId) => onChange(placeFields(project, placeId))}
    />
  );
}
