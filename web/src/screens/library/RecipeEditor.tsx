import { useProject } from '../../state/open-project.ts';
import { changeRecipe } from '@dusky-spool/core/devices';
import { type DeviceType, type Leg, LEG_ENDS, sameValue } from '@dusky-spool/core/model';
import { listOf } from '@dusky-spool/core/derive';
import { compareNumbers } from '@dusky-spool/core/runs';
import { term, text } from '../../ground/text.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import { NumberField } from '../../ui/fields.tsx';
import { useMemo, useState } from 'react';
import { Button, Checkbox, Input, Select } from 'antd';
import { problemSentence } from '@dusky-spool/texts';
import css from './library.module.css';

interface Props {
  readonly type: DeviceType;
  readonly used: number;
}

/** The cables that every device of a type gets. What a change does to runs is shown before it is made. */
export function RecipeEditor({ type, used }: Props) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const [draft, setDraft] = useState<readonly Leg[] | null>(null);
  const cables = draft ?? type.cables;
  const changed = draft !== null && !sameValue(draft, type.cables);
  const effect = useMemo(
    () => (changed && draft ? changeRecipe(project, type.id, draft, () => newRecordId('r')) : null),
    [changed, draft, project, type.id],
  );
  const set = (index: number, after: Partial<Leg>) =>
    setDraft(cables.map((leg, i) => (i === index ? { ...leg, ...after } : leg)));
  const cableTypes = listOf(project, 'cableTypes');
  const types = listOf(project, 'deviceTypes').filter(({ part }) => part === 'device');
  const maps = listOf(project, 'conductorMaps');
  const numbers = (runs: readonly { number: string }[]) =>
    runs
      .map(({ number }) => number)
      .sort(compareNumbers)
      .slice(0, 6)
      .join(', ') + (runs.length > 6 ? ' …' : '');
  return (
    <>
      <div className="eyebrow">{text('recipe.title')}</div>
      {cables.map((leg, index) => (
        <div key={index} className={css.recipeLeg}>
          <Select
            size="small"
            value={leg.cableTypeId}
            aria-label={text('recipe.cable', { leg: index + 1 })}
            options={cableTypes.map(({ id, name }) => ({ value: id, label: name }))}
            onChange={(cableTypeId) => set(index, { cableTypeId })}
          />
          <Input
            size="small"
            value={leg.purpose}
            maxLength={60}
            aria-label={text('recipe.purpose', { leg: index + 1 })}
            onChange={(event) => set(index, { purpose: event.target.value })}
            onKeyDown={(event) => event.stopPropagation()}
          />
          <Select
            size="small"
            value={leg.to}
            aria-label={text('recipe.to', { leg: index + 1 })}
            options={LEG_ENDS.map((value) => ({ value, label: term(`legEnds.${value}`) }))}
            onChange={(to) => set(index, { to, toTypeId: to === 'device' ? leg.toTypeId : null })}
          />
          {leg.to === 'device' && (
            <Select
              size="small"
              showSearch={{ optionFilterProp: 'label' }}
              value={leg.toTypeId ?? undefined}
              placeholder={text('recipe.toType')}
              aria-label={text('recipe.toType')}
              options={types.map(({ id, name }) => ({ value: id, label: name }))}
              onChange={(toTypeId) => set(index, { toTypeId })}
            />
          )}
          <Input
            size="small"
            value={leg.deviceConnector}
            maxLength={30}
            placeholder={text('recipe.deviceConnector')}
            aria-label={text('recipe.deviceConnector')}
            onChange={(event) => set(index, { deviceConnector: event.target.value })}
            onKeyDown={(event) => event.stopPropagation()}
          />
          <Input
            size="small"
            value={leg.farConnector}
            maxLength={30}
            placeholder={text('recipe.farConnector')}
            aria-label={text('recipe.farConnector')}
            onChange={(event) => set(index, { farConnector: event.target.value })}
            onKeyDown={(event) => event.stopPropagation()}
          />
          <Select
            size="small"
            value={leg.mapId ?? ''}
            aria-label={text('recipe.map')}
            options={[{ value: '', label: text('recipe.noMap') }, ...maps.map(({ id, name }) => ({ value: id, label: name }))]}
            onChange={(mapId) => set(index, { mapId: mapId || null })}
          />
          <NumberField
            label={text('recipe.slack')}
            value={leg.slackM}
            min={0}
            max={20}
            step={0.05}
            onChange={(slackM) => set(index, { slackM })}
          />
          <Checkbox checked={leg.optional} onChange={(event) => set(index, { optional: event.target.checked })}>
            {text('recipe.optional')}
          </Checkbox>
          <Button size="small" onClick={() => setDraft(cables.filter((_, i) => i !== index))}>
            {text('brief.remove')}
          </Button>
        </div>
      ))}
      <Button
        size="small"
        onClick={() =>
          setDraft([
            ...cables,
            {
              cableTypeId: cableTypes.find(({ id }) => id === 'cat6_utp')?.id ?? cableTypes[0].id,
              purpose: '',
              slackM: 0.45,
              to: 'rack',
              toTypeId: null,
              deviceConnector: '',
              farConnector: '',
              mapId: null,
              optional: false,
            },
          ])
        }
      >
        {text('recipe.add')}
      </Button>
      {effect && !effect.ok && (
        <p className="field-problem" role="alert">
          {problemSentence(effect.problem)}
        </p>
      )}
      {effect?.ok && (
        <div className={css.recipeEffect} role="status">
          <b>{text('recipe.effect', { count: used })}</b>
          <ul>
            {effect.value.added.length > 0 && (
              <li>{text('recipe.adds', { count: effect.value.added.length, numbers: numbers(effect.value.added) })}</li>
            )}
            {effect.value.removed.length > 0 && (
              <li>{text('recipe.removes', { count: effect.value.removed.length, numbers: numbers(effect.value.removed) })}</li>
            )}
            {effect.value.altered.length > 0 && (
              <li>{text('recipe.alters', { count: effect.value.altered.length, numbers: numbers(effect.value.altered) })}</li>
            )}
            {effect.value.kept.length > 0 && (
              <li>{text('recipe.keeps', { count: effect.value.kept.length, numbers: numbers(effect.value.kept) })}</li>
            )}
          </ul>
          <div className="panel-buttons">
            <Button
              size="small"
              type="primary"
              onClick={() => {
                if (edit(text('recipe.change', { name: type.name }), effect.value.operations)) setDraft(null);
              }}
            >
              {text('apply')}
            </Button>
            <Button size="small" onClick={() => setDraft(null)}>
              {text('cancel')}
            </Button>
          </div>
        </div>
      )}
    </>
  );
}
