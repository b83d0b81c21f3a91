import { listOf } from '@dusky-spool/core/derive';
import { centsOf, openSpool, spoolsLeft } from '@dusky-spool/core/order';
import { removeWithDependants, type Spool, type SpoolOfferRecord } from '@dusky-spool/core/model';
import { formatCableLength } from '@dusky-spool/core/math';
import { changeRecord } from '../../commands/change-record.ts';
import { createRecords } from '../../commands/create-records.ts';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { NumberField, SwitchField, WordsField } from '../../ui/fields.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { SmallButton } from '../../ui/SmallButton.tsx';

import css from './order.module.css';

/** Spools and boxes that are there, and the sizes that can be bought. */
export function StockPanel({ mayPlan }: { readonly mayPlan: boolean }) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const used = new Set(listOf(project, 'runs').map(({ cableTypeId }) => cableTypeId));
  const cables = listOf(project, 'cableTypes').filter(({ id }) => used.has(id));
  const [first] = cables;
  const addSpool = () => edit(text('order.addSpool'), createRecords('spools', [openSpool(project, first, newRecordId('spool'))]));
  const addOffer = () => {
    const { id: cableTypeId, spoolM: lengthM, pricePerM } = first;
    const priceCents = centsOf(pricePerM * lengthM);
    edit(
      text('order.addOffer'),
      createRecords('spoolOffers', [
        { ...{ id: newRecordId('offer'), cableTypeId, name: text('order.box'), lengthM, priceCents }, supplier: '', leadDays: 5 },
      ]),
    );
  };
  const options = cables.map(({ id, name }) => ({ value: id, label: name }));
  return (
    <>
      <h3 className={css.part}>{text('order.stock')}</h3>
      <p className="faint">{text('order.stockLead')}</p>
      {spoolsLeft(project).map(({ spool, leftM }) => (
        <SpoolFields key={spool.id} {...{ spool, leftM, options, mayPlan }} />
      ))}
      {mayPlan && first && <SmallButton onClick={addSpool}>{text('order.addSpool')}</SmallButton>}
      <h3 className={css.part}>{text('order.offers')}</h3>
      <p className="faint">{text('order.offersLead')}</p>
      {listOf(project, 'spoolOffers').map((offer) => (
        <OfferFields key={offer.id} {...{ offer, options, mayPlan }} />
      ))}
      {mayPlan && first && <SmallButton onClick={addOffer}>{text('order.addOffer')}</SmallButton>}
      {!first && <p>{text('order.empty')}</p>}
    </>
  );
}

type Options = readonly { readonly value: string; readonly label: string }[];
interface SpoolProps {
  readonly spool: Spool;
  readonly leftM: number;
  readonly options: Options;
  readonly mayPlan: boolean;
}

function SpoolFields({ spool, leftM, options, mayPlan }: SpoolProps) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const change = (after: Partial<Spool>) => {
    const operations = changeRecord('spools', spool, after);
    if (operations.length > 0) return edit(spool.code, operations);
  };
  return (
    <fieldset className={css.fields} disabled={!mayPlan} aria-label={spool.code}>
      <WordsField label={text('order.fields.code')} value={spool.code} max={20} required onChange={(code) => change({ code })} />
      <ChoiceField
        label={text('order.fields.cable')}
        value={spool.cableTypeId}
        options={options}
        onChange={(cableTypeId) => change({ cableTypeId })}
      />
      <LengthField
        label={text('order.fields.length')}
        valueM={spool.lengthM}
        units={project.project.units}
        minM={0.1}
        maxM={5000}
        onChange={(lengthM) => lengthM !== null && change({ lengthM })}
      />
      <WordsField
        label={text('order.fields.jacket')}
        value={spool.jacketColour}
        max={20}
        onChange={(jacketColour) => change({ jacketColour })}
      />
      <WordsField label={text('order.fields.make')} value={spool.make} max={60} onChange={(make) => change({ make })} />
      <SwitchField label={text('order.fields.boxed')} value={spool.isBoxed} onChange={(isBoxed) => change({ isBoxed })} />
      <SwitchField
        label={text('order.fields.stand')}
        value={spool.needsStand}
        onChange={(needsStand) => change({ needsStand })}
      />
      <span className="faint">
        {text('order.leftNow', { left: formatCableLength(leftM, project.project.units) })}
        {mayPlan && (
          <SmallButton
            bare
            onClick={() =>
              edit(text('order.removeSpool', { code: spool.code }), removeWithDependants(project, 'spools', spool.id))
            }
          >
            {text('order.remove')}
          </SmallButton>
        )}
      </span>
    </fieldset>
  );
}

interface OfferProps {
  readonly offer: SpoolOfferRecord;
  readonly options: Options;
  readonly mayPlan: boolean;
}

function OfferFields({ offer, options, mayPlan }: OfferProps) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const change = (after: Partial<SpoolOfferRecord>) => {
    const operations = changeRecord('spoolOffers', offer, after);
    if (operations.length > 0) return edit(offer.name, operations);
  };
  return (
    <fieldset className={css.fields} disabled={!mayPlan} aria-label={offer.name}>
      <WordsField label={text('order.fields.name')} value={offer.name} max={60} required onChange={(name) => change({ name })} />
      <ChoiceField
        label={text('order.fields.cable')}
        value={offer.cableTypeId}
        options={options}
        onChange={(cableTypeId) => change({ cableTypeId })}
      />
      <LengthField
        label={text('order.fields.size')}
        valueM={offer.lengthM}
        units={project.project.units}
        minM={0.1}
        maxM={5000}
        onChange={(lengthM) => lengthM !== null && change({ lengthM })}
      />
      <NumberField
        label={text('order.fields.price', { currency: project.project.currency })}
        value={offer.priceCents / 100}
        min={0}
        max={10_000_000}
        step={0.01}
        onChange={(price) => change({ priceCents: centsOf(price) })}
      />
      <WordsField
        label={text('order.fields.supplier')}
        value={offer.supplier}
        max={60}
        onChange={(supplier) => change({ supplier })}
      />
      <NumberField
        label={text('order.fields.leadDays')}
        value={offer.leadDays}
        min={0}
        max={365}
        onChange={(leadDays) => change({ leadDays })}
      />
      {mayPlan && (
        <SmallButton
          bare
          onClick={() =>
            edit(text('order.removeOffer', { name: offer.name }), removeWithDependants(project, 'spoolOffers', offer.id))
          }
        >
          {text('order.remove')}
        </SmallButton>
      )}
    </fieldset>
  );
}
