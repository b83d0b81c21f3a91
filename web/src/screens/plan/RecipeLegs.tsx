import { tickLeg } from '@dusky-spool/core/devices';
import type { Run } from '@dusky-spool/core/model';
import { isKept, runsByDevice } from '@dusky-spool/core/runs';
import { Checkbox } from 'antd';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import css from './plan.module.css';

/** The legs of the recipe of one or several devices of a type, each ticked where its cable is planned. */
export function RecipeLegs({ deviceIds }: { readonly deviceIds: readonly string[] }) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const devices = deviceIds.flatMap((id) => project.devices[id] ?? []);
  const type = devices[0] && project.deviceTypes[devices[0].typeId];
  if (!type || type.cables.length === 0 || devices.some(({ typeId }) => typeId !== type.id)) return null;
  const byDevice = runsByDevice(project);
  return (
    <fieldset className={css.recipeLegs}>
      <legend>{text('device.recipe')}</legend>
      {type.cables.map((leg, index) => {
        const number = index + 1;
        const isThis = (run: Run) => run.recipeLeg === number;
        const runs = devices.flatMap(({ id }) => (byDevice.get(id) ?? []).filter(isThis));
        const name = project.cableTypes[leg.cableTypeId]?.name ?? leg.cableTypeId;
        return (
          <Checkbox
            key={number}
            checked={runs.length === devices.length}
            indeterminate={runs.length > 0 && runs.length < devices.length}
            disabled={runs.length === devices.length && runs.some(isKept)}
            onChange={({ target }) =>
              edit(
                text(target.checked ? 'device.addedCable' : 'device.leftOut', { cable: name }),
                tickLeg(project, deviceIds, number, target.checked, () => newRecordId('r')),
              )
            }
          >
            {name} {leg.purpose && <span className="faint"> · {leg.purpose}</span>}
            {leg.optional && <span className="faint"> · {text('device.optional')}</span>}
          </Checkbox>
        );
      })}
    </fieldset>
  );
}
