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
        {layers.map(({ name, lines }) => (
          <tr key={name}>
            <th scope="row">{name}</th>
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
