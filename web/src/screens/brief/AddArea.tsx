import { addOutdoorAreas, type NewArea } from '@dusky-spool/core/brief';
import { outdoorAreas } from '@dusky-spool/core/house';
import { OUTDOOR_KINDS, type OutdoorKind } from '@dusky-spool/core/model';
import { term, text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import { Button, Dropdown } from 'antd';
import css from './brief.module.css';

/** Areas that most plots have. */
const USUAL: readonly OutdoorKind[] = ['terrace', 'drive', 'garden'];
/** In the order in which new facades are laid around the house. */
const SIDES = ['front', 'right', 'back', 'left'] as const;

/** Adds a terrace, a drive, a facade and so on to what the brief asks about; a second one of a kind is numbered. */
export function AddArea({ onAdded }: { readonly onAdded: (placeId: string) => void }) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const areas = outdoorAreas(project);
  const add = (wanted: readonly Omit<NewArea, 'id'>[]) => {
    const named = wanted.map((area) => ({ ...area, id: newRecordId('area') }));
    const title = text('brief.areaAdded', { area: wanted.map(({ name }) => name).join(', ') });
    if (edit(title, addOutdoorAreas(project, named))) onAdded(named[0].id);
  };
  const ofKind = (kind: OutdoorKind): Omit<NewArea, 'id'> => {
    const same = areas.filter((area) => area.kind === kind).length;
    const name = term(`features.${kind}`);
    return { kind, name: same === 0 ? name : `${name} ${same + 1}` };
  };
  const usual = [
    ...USUAL.map(ofKind),
    ...SIDES.map((side) => ({ kind: 'facade' as const, name: text(`brief.facades.${side}`) })),
  ];
  return (
    <div className={css.addArea}>
      <Dropdown
        trigger={['click']}
        menu={{
          items: OUTDOOR_KINDS.map((kind) => ({
            key: kind,
            label: term(`features.${kind}`),
            onClick: () => add([ofKind(kind)]),
          })),
        }}
      >
        <Button>+ {text('brief.addArea')}</Button>
      </Dropdown>
      {areas.length === 0 && <Button onClick={() => add(usual)}>{text('brief.addUsualAreas')}</Button>}
      <span className="faint">{text('brief.areaOutline')}</span>
    </div>
  );
}
