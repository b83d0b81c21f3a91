import { expect } from 'chai';
import fc from 'fast-check';
import { z } from 'zod';
import { countedIds, smallHouse, withDevices } from '../../testing/index.ts';
import {
  applyChange,
  type Change,
  COLLECTION_NAMES,
  type CollectionName,
  COLLECTIONS,
  create,
  type Operation,
  type ProjectDocument,
  projectHeader,
  update,
  updateProject,
} from '../project/index.ts';
import { changeForClient, projectForClient } from './client-project.ts';

const apply = (project: ProjectDocument, operations: readonly Operation[]): ProjectDocument => {
  const applied = applyChange(project, { operations });
  if (!applied.ok) throw new Error(JSON.stringify(applied.problem));
  return applied.value;
};
const change = (operations: readonly Operation[]): Change => ({
  id: '00000000-0000-4000-8000-000000000001',
  ...{ baseRevision: 0, title: 'edit', operations },
});

/** Names of the fields of a schema, also of those inside its fields. */
function fieldNames(schema: z.ZodType): string[] {
  const names: string[] = [];
  const visit = (node: unknown): void => {
    if (Array.isArray(node)) return node.forEach(visit);
    if (typeof node !== 'object' || node === null) return;
    const { properties } = node as { properties?: object };
    names.push(...Object.keys(properties ?? {}));
    Object.values(node).forEach(visit);
  };
  visit(z.toJSONSchema(schema, { io: 'output', unrepresentable: 'any' }));
  return names;
}

const MONEY = /price|cost|cents|margin|deposit|(labour|site)rate|perM2?$/i;

/** Every figure of money in a project, by its path. */
function moneyIn(value: unknown, path = ''): string[] {
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([key, one]) =>
    typeof one === 'number' && MONEY.test(key) && one !== 0 ? [`${path}.${key}`] : moneyIn(one, `${path}.${key}`),
  );
}

describe('what a client gets of a project', () => {
  const project = apply(
    withDevices(
      smallHouse(),
      [
        { typeId: 'ceiling-speaker', at: [1, 2] },
        { typeId: 'ceiling-speaker', at: [2, 2] },
      ],
      countedIds(),
    ).project,
    [
      create('prices', {
        ...{ id: 'price1', item: 'Ceiling speaker', supplier: 'A supplier', partNumber: '1', priceCents: 12_300 },
        ...{ taxPercent: null, validFrom: '', validTo: '', leadDays: 3 },
      } as never),
    ],
  );

  it('has no figure of money but the deposit and the tax of the usual settings', () => {
    expect(moneyIn(project)).to.have.length.above(10);
    const left = moneyIn(projectForClient(project));
    expect(left).to.deep.equal(['.project.priceSettings.depositPercent']);
    expect(projectForClient(project).prices).to.deep.equal({});
  });

  it('knows every field of the project that is named as money', () => {
    const header = projectForClient(project).project as unknown as Record<string, unknown>;
    const changed = Object.keys(header).filter((field) => header[field] !== (project.project as never)[field]);
    for (const name of fieldNames(projectHeader).filter((field) => MONEY.test(field) && field in header))
      expect([...changed, 'outletPrice', 'windowPrice'], name).to.include(name);
    for (const list of COLLECTION_NAMES) {
      const named = fieldNames(COLLECTIONS[list].schema).filter((field) => MONEY.test(field));
      if (named.length === 0) continue;
      // A record of the list with a figure in each of them reaches no client.
      const record = { id: 'r1', ...Object.fromEntries(named.map((field) => [field, 12_345])) };
      const shown = projectForClient({ ...project, [list]: { r1: record } });
      expect(JSON.stringify(shown[list as CollectionName]), list).not.to.contain('12345');
      const sent = changeForClient(change([{ op: 'create', in: list, id: 'r1', record }]));
      expect(JSON.stringify(sent), list).not.to.contain('12345');
      const updated = changeForClient(change([{ op: 'update', in: list, id: 'r1', before: record, after: record }]));
      expect(JSON.stringify(updated), list).not.to.contain('12345');
    }
  });

  it('follows changes: the client project of the state after is that before with the change for clients', () => {
    const device = Object.values(project.devices)[0];
    const type = project.deviceTypes[device.typeId];
    const edits: readonly ((project: ProjectDocument, value: number) => readonly (Operation | null)[])[] = [
      (now, value) => [update('deviceTypes', now.deviceTypes[type.id], { price: value })],
      (now, value) => [update('deviceTypes', now.deviceTypes[type.id], { price: value, name: `Speaker ${value}` })],
      (now, value) => [update('devices', now.devices[device.id], { note: `note ${value}` })],
      (now, value) => [
        updateProject(now.project, { labourRate: value, name: `House ${value}` }),
        updateProject(now.project, { priceSettings: { ...now.project.priceSettings, marginPercent: value % 90 } }),
      ],
      (now, value) => [update('prices', now.prices.price1, { priceCents: value })],
    ];
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(edits.length - 1), fc.nat(9000)), { maxLength: 12 }), (steps) => {
        let [now, seen] = [project, projectForClient(project)];
        for (const [kind, value] of steps) {
          for (const operation of edits[kind](now, value)) {
            if (!operation) continue;
            now = apply(now, [operation]);
            const sent = changeForClient(change([operation]));
            expect(sent.operations).to.have.length.above(0);
            seen = apply(seen, sent.operations);
          }
        }
        expect(seen).to.deep.equal(projectForClient(now));
      }),
      { numRuns: 60 },
    );
  });
});
