import { expect } from 'chai';
import { CABLE_TYPES, CONDUCTOR_MAPS, DEVICE_TYPES } from '@dusky-spool/core/devices';
import type {
  CablesReply,
  ColumnsReply,
  DocumentReply,
  LibraryReadReply,
  LibraryReply,
  MapsReply,
} from '@dusky-spool/core/model';
import { startTestServer, type TestServer } from '../../testing/test-server.ts';
import type { TestClient } from '../../testing/test-client.ts';

const keypad = DEVICE_TYPES.find(({ id }) => id === 'keypad')!;
const problemOf = async (response: Response) => ((await response.json()) as { problem: { code: string; field: string } }).problem;

describe('the library of a firm', () => {
  let server: TestServer;
  let client: TestClient;
  before(async () => {
    server = await startTestServer();
    client = await server.client().makeFirstAccount();
  });
  after(() => server.close());
  const types = async () => (await client.json<LibraryReply>('GET', '/library')).types;
  const typeOf = async (id: string) => (await types()).find((type) => type.id === id);

  it('is the generic one until the firm changes a type; new projects start with that, and a project keeps what it had', async () => {
    expect(await types()).to.have.length(DEVICE_TYPES.length);
    const before = await client.newProject('Before');
    const kept = await client.json<LibraryReply>('PUT', '/library', { types: [{ ...keypad, price: 199 }] });
    expect(kept.types[0]).to.include({ price: 199, version: 2 });
    await client.json('PUT', '/library', { types: [{ ...keypad, price: 210 }] });
    expect(await typeOf('keypad')).to.include({ price: 210, version: 3 });
    const after = await client.newProject('After');
    const priceIn = async (id: string) =>
      (await client.json<DocumentReply>('GET', `/projects/${id}`)).document.deviceTypes.keypad.price;
    expect([await priceIn(before), await priceIn(after)]).to.deep.equal([keypad.price, 210]);
    expect((await client.send('DELETE', '/library/keypad')).status).to.equal(204);
    expect(await typeOf('keypad')).to.deep.equal(keypad);
    expect((await problemOf(await client.send('DELETE', '/library/keypad'))).code).to.equal('not-found');
  });

  it('takes nothing of a batch in which one type is wrong', async () => {
    const own = { ...keypad, id: 'own-keypad', code: 'K9', name: 'Own keypad' };
    const circle = { ...own, id: 'circle', code: 'K8', cables: [{ ...keypad.cables[0], to: 'device', toTypeId: 'circle' }] };
    expect(await problemOf(await client.send('PUT', '/library', { types: [own, circle] }))).to.include({
      code: 'recipe-self',
      field: 'Own keypad: cables[0].toTypeId',
    });
    expect(await problemOf(await client.send('PUT', '/library', { types: [{ ...own, code: 'TV' }] }))).to.include({
      code: 'library-code-taken',
    });
    expect(await problemOf(await client.send('PUT', '/library', { types: [{ ...own, weightKg: -1 }] }))).to.include({
      field: 'types[0].weightKg',
    });
    expect(await typeOf('own-keypad')).to.equal(undefined);
  });

  it('is handed out as CSV and JSON and read again, good rows apart from bad ones', async () => {
    for (const kind of ['csv', 'json']) {
      const text = await (await client.send('GET', `/library/file?kind=${kind}`)).text();
      const read = await client.json<LibraryReadReply>('POST', '/library/read', text);
      expect(read.problems, kind).to.deep.equal([]);
      expect(read.types, kind).to.have.length(DEVICE_TYPES.length);
    }
    const read = await client.json<LibraryReadReply>(
      'POST',
      '/library/read',
      'code,name,system,mount,planWidthM,planDepthM,cables\nQ1,Good,data,wall,0.1,0.1,cat6_utp|network|0.4|rack|||||\nQ2,Bad,data,wall,0.1,,',
    );
    expect(read.types.map(({ code }) => code)).to.deep.equal(['Q1']);
    expect(read.problems[0]).to.nested.include({ row: 3, 'problem.code': 'library-value' });
    expect((await problemOf(await client.send('POST', '/library/read', 'no library'))).code).to.equal('library-column-missing');
  });

  it('keeps conductor maps that new projects begin with, and takes none of a batch in which one is wrong', async () => {
    const { maps } = await client.json<MapsReply>('GET', '/library/maps');
    expect(maps).to.have.length(CONDUCTOR_MAPS.length);
    const trigger = maps.find(({ id }) => id === 'trigger')!;
    const ours = { ...trigger, note: 'Ours.' };
    const twice = { ...trigger, id: 'twice', name: 'Twice', lines: [...trigger.lines, trigger.lines[0]] };
    expect(await problemOf(await client.send('PUT', '/library/maps', { maps: [ours, twice] }))).to.include({
      code: 'map-twice',
      field: 'Twice: lines[2].conductor',
    });
    const noteIn = async (id: string) =>
      (await client.json<DocumentReply>('GET', `/projects/${id}`)).document.conductorMaps.trigger.note;
    const before = await client.newProject('Maps before');
    await client.json('PUT', '/library/maps', { maps: [ours] });
    expect([await noteIn(before), await noteIn(await client.newProject('Maps after'))]).to.deep.equal([trigger.note, 'Ours.']);
    expect((await client.send('DELETE', '/library/maps/trigger')).status).to.equal(204);
    expect((await problemOf(await client.send('DELETE', '/library/maps/trigger'))).code).to.equal('not-found');
  });

  it('keeps stock cables of the firm that new projects begin with; a generic one comes back when it is removed', async () => {
    const { cables } = await client.json<CablesReply>('GET', '/library/cables');
    expect(cables).to.have.length(CABLE_TYPES.length);
    const cat6 = cables.find(({ id }) => id === 'cat6_utp')!;
    const ours = { ...cat6, pricePerM: 0.71, spoolM: 152, rating: 'riser', alsoRated: ['outdoor'] };
    const own = { ...cat6, id: 'own-cable', name: 'Own cable' };
    const priceIn = async (id: string) => {
      const { document } = await client.json<DocumentReply>('GET', `/projects/${id}`);
      return [document.cableTypes.cat6_utp.pricePerM, Object.hasOwn(document.cableTypes, 'own-cable')];
    };
    const before = await client.newProject('Cables before');
    await client.json('PUT', '/library/cables', { cables: [ours, own] });
    expect([await priceIn(before), await priceIn(await client.newProject('Cables after'))]).to.deep.equal([
      [cat6.pricePerM, false],
      [0.71, true],
    ]);
    expect(await problemOf(await client.send('PUT', '/library/cables', { cables: [{ ...ours, pricePerM: -1 }] }))).to.include({
      field: 'cables[0].pricePerM',
    });
    // A recipe may ask for a cable of the firm.
    const { to, ...leg } = keypad.cables[0];
    const usesOwn = {
      ...keypad,
      id: 'own-cabled',
      code: 'K7',
      name: 'On own cable',
      cables: [{ ...leg, to, cableTypeId: 'own-cable' }],
    };
    expect((await client.send('PUT', '/library', { types: [usesOwn] })).status).to.equal(200);
    expect((await client.send('DELETE', '/library/own-cabled')).status).to.equal(204);
    for (const id of ['cat6_utp', 'own-cable'])
      expect((await client.send('DELETE', `/library/cables/${id}`)).status).to.equal(204);
    expect((await problemOf(await client.send('DELETE', '/library/cables/cat6_utp'))).code).to.equal('not-found');
  });

  it('keeps the settings that new projects start with: prices, schools, factors', async () => {
    expect(await client.json('GET', '/library/defaults')).to.deep.equal({ settings: {} });
    const settings = { labourRate: 82, dataCable: 'cat6a', roomDataCables: 2, outletPrice: 140, speakerPairs: 'four-conductor' };
    await client.json('PUT', '/library/defaults', { settings });
    const { document } = await client.json<DocumentReply>('GET', `/projects/${await client.newProject('As we do it')}`);
    expect(document.project).to.include(settings);
    expect((await problemOf(await client.send('PUT', '/library/defaults', { settings: { roomDataCables: 9 } }))).field).to.equal(
      'settings.roomDataCables',
    );
    expect((await client.send('PUT', '/library/defaults', { settings: { client: 'x' } })).status).to.equal(422);
    await client.json('PUT', '/library/defaults', { settings: {} });
  });

  it('remembers what the columns of tables hold, the newest first, and forgets the oldest', async () => {
    const known = (n: number) => ({ kind: 'prices', head: ['Article', `Column ${n}`], columns: { item: 0, price: 1 } });
    expect(await client.json('GET', '/library/columns')).to.deep.equal({ tables: [] });
    for (let n = 0; n < 202; n++) await client.json('PUT', '/library/columns', known(n));
    const again = { ...known(10), columns: { item: 1, price: 0 } };
    const { tables } = await client.json<ColumnsReply>('PUT', '/library/columns', again);
    expect(tables).to.have.length(200);
    expect(tables.slice(0, 2)).to.deep.equal([again, known(201)]);
    expect(await client.json('GET', '/library/columns')).to.deep.equal({ tables });
    const wrong = await client.send('PUT', '/library/columns', { ...known(1), columns: { item: 60 } });
    expect([wrong.status, (await problemOf(wrong)).field]).to.deep.equal([422, 'columns.item']);
  });

  it('keeps how rules are set, within their bounds, and new projects begin with that', async () => {
    const rule = { ruleId: 'data-length', off: false, rank: null, limits: { warnM: 80 }, reason: '', by: 'the firm' } as const;
    expect(await client.json('GET', '/library/rules')).to.deep.equal({ rules: [] });
    for (const [wrong, code] of [
      [{ ...rule, limits: { warnM: 500 } }, 'rule-limit-outside'],
      [{ ...rule, ruleId: 'no-such-rule' }, 'rule-unknown'],
      [{ ...rule, ruleId: 'bores-allowed', limits: {}, off: true }, 'rule-reason-missing'],
    ] as const)
      expect((await problemOf(await client.send('PUT', '/library/rules', { rules: [wrong] }))).code).to.equal(code);
    expect(await client.json('GET', '/library/rules')).to.deep.equal({ rules: [] });
    const id = await client.newProject('Plain');
    await client.json('PUT', '/library/rules', { rules: [rule] });
    const settingsIn = async (project: string) =>
      (await client.json<DocumentReply>('GET', `/projects/${project}`)).document.ruleSettings;
    expect(await settingsIn(id)).to.deep.equal({});
    const [setting] = Object.values(await settingsIn(await client.newProject('As the firm has it')));
    expect(setting).to.include({ ruleId: 'data-length', by: 'the firm' });
    expect(setting.limits).to.deep.equal({ warnM: 80 });
    await client.json('PUT', '/library/rules', { rules: [] });
    expect(await client.json('GET', '/library/rules')).to.deep.equal({ rules: [] });
  });

  it('is closed to whoever is not signed in', async () => {
    const stranger = server.client();
    await stranger.open();
    expect((await stranger.send('GET', '/library')).status).to.equal(401);
  });
});
