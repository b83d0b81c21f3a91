import { listOf } from '@dusky-spool/core/derive';
import { Button } from 'antd';
import { scopeByZoom, anamorphicLens, screenWeave } from '@dusky-spool/core/calculators';
import { formatLength } from '@dusky-spool/core/math';
import { type DeviceType, type ProjectDocument, SHIFT_SHAPES } from '@dusky-spool/core/model';
import {
  fitLens,
  fitScreen,
  placeForAll,
  projectorMounts,
  shiftInTheatre,
  type Picture,
  type ScreenWish,
  type Theatre,
  widthOfDiagonal,
} from '@dusky-spool/core/theatre';
import { addDecision } from '../../commands/add-decision.ts';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import { Cautions } from '../../ui/Cautions.tsx';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { NumberField, SwitchField } from '../../ui/fields.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import css from './theatre.module.css';

interface Props {
  readonly theatre: Theatre;
  readonly mayPlan: boolean;
}

const WIDE = 16 / 9;

/** Size and height of the picture, lens and place of the projector, and what wide pictures cost. */
export function PicturePanel({ theatre, mayPlan }: Props) {
  const project = useProject();
  const { picture, projections } = theatre;
  if (!picture) return <p className={css.empty}>{text('theatre.noPicture')}</p>;
  return (
    <fieldset className={css.panel} disabled={!mayPlan}>
      {picture.kind === 'screen' ? (
        <ScreenFields {...{ picture, theatre }} />
      ) : (
        <p className="faint">{text('theatre.displaySize')}</p>
      )}
      <HeightField picture={picture} />
      {projections.map(({ deviceId }) => (
        <LensFields key={deviceId} deviceId={deviceId} />
      ))}
      {picture.kind === 'screen' && projections.length === 0 && <p className="faint">{text('theatre.noProjector')}</p>}
      <Mounts theatre={theatre} />
      <PlaceForAll theatre={theatre} project={project} />
      {picture.kind === 'screen' && <WideMethods picture={picture} lens={lensOf(project, projections[0]?.deviceId)} />}
      <Cautions ids={picture.kind === 'screen' ? ['C7', 'C12', 'C1'] : ['C8', 'C1']} />
    </fieldset>
  );
}

const lensOf = (project: ProjectDocument, deviceId: string | undefined): DeviceType['lens'] =>
  deviceId === undefined ? null : project.deviceTypes[project.devices[deviceId].typeId].lens;

function ScreenFields({ picture, theatre }: { readonly picture: Picture; readonly theatre: Theatre }) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const { units } = project.project;
  const aspect = picture.widthM / picture.heightM;
  const wish: ScreenWish = { widthM: picture.widthM, aspect, gain: picture.gain, weaveMm: picture.weaveMm };
  const fit = (after: Partial<ScreenWish>) =>
    edit(text('theatre.edits.screen'), fitScreen(project, picture.deviceId, { ...wish, ...after }, newRecordId('s')));
  return (
    <>
      <div className={css.fields}>
        <LengthField
          label={text('theatre.width')}
          valueM={picture.widthM}
          units={units}
          onChange={(widthM) => widthM !== null && fit({ widthM })}
        />
        <LengthField
          label={text('theatre.diagonal')}
          valueM={Math.hypot(picture.widthM, picture.heightM)}
          units={units}
          onChange={(diagonalM) => {
            if (diagonalM === null) return;
            const width = widthOfDiagonal(diagonalM, aspect);
            if (width.ok) fit({ widthM: width.value });
            else edit(text('theatre.edits.screen'), width);
          }}
        />
        <NumberField
          label={text('theatre.aspect')}
          value={Number(aspect.toFixed(3))}
          min={0.5}
          max={4}
          step={0.01}
          onChange={(next) => fit({ aspect: next })}
        />
        <NumberField
          label={text('theatre.gain')}
          value={picture.gain}
          min={0.1}
          max={5}
          step={0.1}
          onChange={(gain) => fit({ gain })}
        />
        <NumberField
          label={text('theatre.weave')}
          value={picture.weaveMm ?? undefined}
          placeholder={text('theatre.solid')}
          min={0.05}
          max={20}
          step={0.05}
          onChange={(weaveMm) => fit({ weaveMm })}
          onEmpty={() => fit({ weaveMm: null })}
        />
      </div>
      <SizeAdvice {...{ picture, theatre }} onWidth={(widthM) => fit({ widthM })} />
    </>
  );
}

function HeightField({ picture }: { readonly picture: Picture }) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const device = project.devices[picture.deviceId];
  if (!device) return null;
  const bottomM = picture.middle[2] - picture.heightM / 2;
  return (
    <div className={css.fields}>
      <LengthField
        label={text('theatre.pictureBottom')}
        valueM={bottomM}
        units={project.project.units}
        minM={0}
        maxM={10}
        onChange={(to) => {
          if (to === null) return;
          const shift = { asideM: 0, awayM: 0, upM: Number((to - bottomM).toFixed(4)) };
          edit(
            text('edit.move'),
            shiftInTheatre(project, project.rooms[device.roomId!], { kind: 'device', id: device.id }, shift),
          );
        }}
      />
    </div>
  );
}

function LensFields({ deviceId }: { readonly deviceId: string }) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const device = project.devices[deviceId];
  const type = device && project.deviceTypes[device.typeId];
  const lens = type?.lens;
  if (!lens) return null;
  const fit = (after: Partial<typeof lens>) =>
    edit(text('theatre.edits.lens'), fitLens(project, deviceId, { ...lens, ...after }, newRecordId('l')));
  const number = (field: 'throwMin' | 'throwMax' | 'shiftUp' | 'shiftAside' | 'lumens', max: number, step: number) => (
    <NumberField
      label={text(`theatre.lens.${field}`)}
      value={lens[field]}
      min={0}
      max={max}
      step={step}
      onChange={(value) => fit({ [field]: value })}
    />
  );
  return (
    <>
      <h4>{device.name ? `${type.name}, ${device.name}` : type.name}</h4>
      <div className={css.fields}>
        {number('throwMin', 20, 0.05)}
        {number('throwMax', 20, 0.05)}
        {number('shiftUp', 3, 0.05)}
        {number('shiftAside', 3, 0.05)}
        {number('lumens', 100_000, 100)}
        <ChoiceField
          label={text('theatre.lens.shiftShape')}
          value={lens.shiftShape}
          options={SHIFT_SHAPES.map((value) => ({ value, label: text(`theatre.lens.shapes.${value}`) }))}
          onChange={(shiftShape) => fit({ shiftShape })}
        />
        <SwitchField
          label={text('theatre.lens.isUltraShort')}
          value={lens.isUltraShort}
          onChange={(isUltraShort) => fit({ isUltraShort })}
        />
      </div>
    </>
  );
}

/** How each projector hangs from the ceiling, and the air that it wants. */
function Mounts({ theatre }: Pick<Props, 'theatre'>) {
  const project = useProject();
  const { units } = project.project;
  const mounts = projectorMounts(project, project.rooms[theatre.roomId], theatre);
  if (mounts.length === 0) return null;
  return (
    <ul className={css.methods}>
      {mounts.flatMap(({ deviceId, weightKg, requiredN, seat, lags, rearM, airM3PerS }) => [
        <li key={deviceId} className={seat === 'half' ? css.bad : ''}>
          {text(`theatre.mount.${seat}`, { kg: weightKg, newtons: Math.round(requiredN), count: lags })}
        </li>,
        <li key={`${deviceId} air`}>
          {text('theatre.mount.rear', { rear: formatLength(rearM, units) })}{' '}
          {airM3PerS !== null && text('theatre.mount.hush', { litres: Math.ceil(airM3PerS * 1000) })}
        </li>,
      ])}
    </ul>
  );
}

/** Where one place serves all projectors that are compared; which one it is, is a decision whose options are prepared in the brief. */
function PlaceForAll({ theatre, project }: Pick<Props, 'theatre'> & { readonly project: ProjectDocument }) {
  const { edit } = useProjectParts('edit');
  if (theatre.projections.length < 2) return null;
  const { units } = project.project;
  const both = placeForAll(theatre.projections);
  const types = [...new Set(theatre.projections.map(({ deviceId }) => project.devices[deviceId].typeId))];
  const subject = text('theatre.decision', { room: project.rooms[theatre.roomId].name });
  const isDecided = listOf(project, 'decisions').some((one) => one.roomId === theatre.roomId && one.subject === subject);
  const decide = () => {
    const options = types.map((typeId) => ({ name: project.deviceTypes[typeId].name, typeId }));
    edit(subject, addDecision(project, { id: newRecordId('de'), subject, roomId: theatre.roomId, options }));
  };
  return (
    <>
      <p>
        {both
          ? text('theatre.placeForAll', {
              from: formatLength(both[0], units),
              to: formatLength(both[1], units),
              count: theatre.projections.length,
            })
          : text('theatre.noPlaceForAll', { count: theatre.projections.length })}
      </p>
      {isDecided ? (
        <p className="faint">{text('theatre.decided')}</p>
      ) : (
        types.length > 1 && (
          <Button size="small" onClick={decide}>
            {text('theatre.decide')}
          </Button>
        )
      )}
    </>
  );
}

/** What each way to show wide and usual pictures needs and loses. */
function WideMethods({ picture, lens }: { readonly picture: Picture; readonly lens: DeviceType['lens'] }) {
  const { units } = useProject().project;
  const aspect = picture.widthM / picture.heightM;
  if (!lens || lens.isUltraShort || aspect <= WIDE + 0.01) return null;
  const zoom = scopeByZoom.run({
    heightM: picture.heightM,
    aspect,
    leastRatio: lens.throwMin,
    mostRatio: lens.throwMax,
    throwM: null,
  });
  const bent = anamorphicLens.run({
    ...{
      widthM: picture.widthM,
      expansion: 4 / 3,
      chip: '16:9',
      leastRatio: lens.throwMin,
      mostRatio: lens.throwMax,
      lensLoss: 0.05,
    },
  });
  return (
    <>
      <h4>{text('theatre.wide.title')}</h4>
      <ul className={css.methods}>
        {zoom.ok && (
          <li>
            {zoom.value.fromM === null || zoom.value.toM === null
              ? text('theatre.wide.zoomShort', {
                  needed: zoom.value.zoomNeeded.toFixed(2),
                  range: zoom.value.zoomRange.toFixed(2),
                })
              : text('theatre.wide.zoom', {
                  from: formatLength(zoom.value.fromM, units),
                  to: formatLength(zoom.value.toM, units),
                  light: Math.round(100 * zoom.value.lightUsed),
                })}
          </li>
        )}
        {bent.ok && (
          <li>
            {text('theatre.wide.anamorphic', {
              from: formatLength(bent.value.fromM, units),
              to: formatLength(bent.value.toM, units),
              light: Math.round(100 * bent.value.lightUsed),
            })}
          </li>
        )}
        <li>{text('theatre.wide.masks')}</li>
      </ul>
    </>
  );
}

/** How wide the picture would be for the angle that is wanted, and whether its holes and its detail are seen. */
function SizeAdvice({
  picture,
  theatre,
  onWidth,
}: {
  readonly picture: Picture;
  readonly theatre: Theatre;
  readonly onWidth: (widthM: number) => void;
}) {
  const { units } = useProject().project;
  const reference = theatre.seats.find(({ isReference }) => isReference);
  if (!reference || reference.distanceM === null) return null;
  const { wantedDeg } = theatre.aim;
  const wantedM = wantedDeg === null ? null : 2 * reference.distanceM * Math.tan((wantedDeg * Math.PI) / 360);
  const nearestM = Math.min(...theatre.seats.map(({ distanceM }) => distanceM ?? Infinity));
  const weave = picture.weaveMm === null ? null : screenWeave.run({ pitchMm: picture.weaveMm, kind: null, seatM: nearestM });
  return (
    <ul className={css.methods}>
      {wantedDeg !== null && wantedM !== null && (
        <li>
          {text('theatre.wantedWidth', { deg: wantedDeg, width: formatLength(wantedM, units) })}{' '}
          <Button size="small" onClick={() => onWidth(Math.round(wantedM * 100) / 100)}>
            {text('theatre.take')}
          </Button>
        </li>
      )}
      {weave?.ok && (
        <li className={weave.value.ok === false ? css.bad : ''}>
          {text('theatre.holesSeen', { from: formatLength(weave.value.neededM, units), seat: formatLength(nearestM, units) })}
        </li>
      )}
      {reference.acuityM !== null && <li>{text('theatre.acuity', { from: formatLength(reference.acuityM, units) })}</li>}
    </ul>
  );
}
