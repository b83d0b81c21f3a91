import type { LayerState } from '@dusky-spool/core/house';
import { Select } from 'antd';
import { text } from '../../ground/text.ts';
import type { ShownDrawing } from '../../workers/drawing-jobs.ts';
import { type Role, ROLES } from './layer-roles.ts';
import css from './survey.module.css';

interface Props {
  readonly layers: ShownDrawing['layers'];
  readonly roles: Readonly<Record<string, Role>>;
  readonly onRoles: (roles: Readonly<Record<string, Role>>) => void;
}

/** How a layer was set where it was drawn, where that is not as usual. */
function stateWords({ isOff, isFrozen, isLocked, isPrinted }: LayerState): string {
  const words = { off: isOff, frozen: isFrozen, locked: isLocked, notPrinted: !isPrinted };
  return (['off', 'frozen', 'locked', 'notPrinted'] as const)
    .filter((word) => words[word])
    .map((word) => text(`drawing.layerState.${word}`))
    .join(', ');
}

/** The layers of a drawing, each with what it means to the survey. */
export function DrawingLayers({ layers, roles, onRoles }: Props) {
  return (
    <table className={css.layerTable}>
      <thead>
        <tr>
          <th>{text('drawing.layer')}</th>
          <th>{text('drawing.lines')}</th>
          <th>{text('drawing.means')}</th>
        </tr>
      </thead>
      <tbody>
        {layers.map(({ name, lines, ...state }) => (
          <tr key={name}>
            <th scope="row">
              {name}
              {stateWords(state) !== '' && <span className="faint"> {stateWords(state)}</span>}
            </th>
            <td>{(lines.length / 4).toLocaleString('en')}</td>
            <td>
              <Select
                size="small"
                value={roles[name]}
                aria-label={text('drawing.meansOf', { name })}
                options={ROLES.map((value) => ({ value, label: text(`drawing.roles.${value}`) }))}
                onChange={(role) => onRoles({ ...roles, [name]: role })}
                popupMatchSelectWidth={false}
              />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
