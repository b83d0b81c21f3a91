import { Button, InputNumber } from 'antd';
import type { Operation, PictureInfo, Underlay } from '@dusky-spool/core/model';
import { USUAL_RATIOS } from '@dusky-spool/core/survey';
import { atRatio, mirrored, turned } from '../../commands/place-picture.ts';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { useProjectStore } from '../../state/project.ts';
import { RatioField } from './RatioField.tsx';
import css from './survey.module.css';

interface Props {
  readonly underlay: Underlay;
  readonly picture: PictureInfo;
}

/** A ratio this near to what is set is the one that is set. */
const SAME_SHARE = 5e-4;
const DEGREES = 180 / Math.PI;

/** How a plan picture lies: the scale that its sheet states, its angle, and whether it is mirrored. */
export function PictureSettings({ underlay, picture }: Props) {
  const edit = useProjectStore((state) => state.edit);
  const change = (title: string, operation: Operation | null) => operation && edit(title, [operation]);
  const degrees = Math.round(((underlay.rotationRad * DEGREES + 360) % 360) * 100) / 100;
  return (
    <>
      {picture.paperMetresPerPixel !== null && (
        <StatedScale key={underlay.metresPerPixel} underlay={underlay} picture={picture} />
      )}
      <div className={css.pictureTurn}>
        <label className="field">
          <span>{text('survey.pictureAngle')}</span>
          <InputNumber<number>
            key={degrees}
            size="small"
            aria-label={text('survey.pictureAngle')}
            min={-360}
            max={360}
            step={0.1}
            suffix="°"
            disabled={underlay.locked}
            defaultValue={degrees}
            changeOnBlur
            onChange={(value) =>
              value !== null &&
              Math.abs(value - degrees) > 1e-9 &&
              change(text('survey.turnPicture'), turned(underlay, picture, value / DEGREES - underlay.rotationRad))
            }
          />
        </label>
        <Button
          size="small"
          aria-label={text('survey.turnQuarter')}
          disabled={underlay.locked}
          onClick={() => change(text('survey.turnPicture'), turned(underlay, picture, Math.PI / 2))}
        >
          +90°
        </Button>
        <Button
          size="small"
          type={underlay.mirrored ? 'primary' : 'default'}
          aria-pressed={underlay.mirrored}
          disabled={underlay.locked}
          onClick={() => change(text('survey.mirrorPicture'), mirrored(underlay, picture))}
        >
          {text('survey.mirror')}
        </Button>
      </div>
    </>
  );
}

/** The scale that a drawing states, for one that knows the size of its paper. */
function StatedScale({ underlay, picture }: Props) {
  const { units } = useProject().project;
  const edit = useProjectStore((state) => state.edit);
  const ratios = USUAL_RATIOS[units];
  const now = underlay.metresPerPixel / picture.paperMetresPerPixel!;
  const known = ratios.find((ratio) => Math.abs(now / ratio - 1) < SAME_SHARE) ?? Math.round(now * 100) / 100;
  const shown = underlay.scaled ? `1:${known}` : '';
  return (
    <RatioField
      label={text('survey.statedScale')}
      shown={shown}
      ratios={ratios}
      placeholder={text('survey.statedScaleHint')}
      size="small"
      disabled={underlay.locked}
      onRatio={(ratio) => {
        const operation = atRatio(underlay, picture, ratio);
        if (operation) edit(text('plan.setScale'), [operation]);
      }}
    />
  );
}
