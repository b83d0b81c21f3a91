import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect } from 'chai';
import { hasRight, type Role, ROLES, update } from '@dusky-spool/core/model';
import { startTestServer, type TestServer } from '../testing/test-server.ts';
import type { TestClient } from '../testing/test-client.ts';
import { fillRoute, type RouteValues } from './fill-route.ts';

const FLAT = readFileSync(join(import.meta.dirname, '../../demo/ropewalk-flat.spool.json'), 'utf8');
/** Words that only the other firm's data holds. */
const SECRET = /Hidden creek house|owner@first\.test|Hidden mail/;

/** Everything that another firm has an id of. */
async function idsOf(client: TestClient): Promise<RouteValues> {
  const { id: projectId } = await client.json<{ id: string }>('POST', '/projects/import', FLAT);
  const { document: project, revision } = await client.load(projectId);
  const renamed = update('project' as never, project.project as never, { name: 'Hidden creek house' } as never)!;
  await client.sendChanges(projectId, client.change([renamed], revision));
  const svg = '<svg xmlns="http://www.w3.org/2000/svg" width="40" height="30"><path d="M0 0L9 9"/></svg>';
  const form = new FormData();
  form.append('picture', new Blob([svg]), 'plan.svg');
  const picture = (await (await client.send('POST', `/projects/${projectId}/pictures`, form)).json()) as { id: string };
  const { id: jobId } = await client.json<{ id: string }>('POST', `/projects/${projectId}/documents/schedule.csv/job`, {});
  await client.send('POST', `/projects/${projectId}/documents/print-labels`, { runIds: Object.keys(project.runs), ends: ['R'] });
  const { jobs } = await client.json<{ jobs: { id: number }[] }>('GET', '/bridge/printer/jobs');
  const { id: invitationId } = await client.json<{ id: string }>('POST', '/people/invitations', {
    email: 'hidden@first.test',
    role: 'crew',
  });
  const { members } = await client.json<{ members: { id: string }[] }>('GET', '/people');
  const { sessions } = await client.json<{ sessions: { id: string }[] }>('GET', '/session/list');
  const deletedId = await client.newProject('Hidden creek house, deleted');
  await client.send('DELETE', `/projects/${deletedId}`);
  return {
    projectId,
    deletedId,
    jobId,
    invitationId,
    pictureId: picture.id,
    printedId: String(jobs[0].id),
    memberId: members[0].id,
    sessionName: sessions[0].id,
    deviceId: Object.keys(project.devices)[0],
    sheetId: 'a'.repeat(64),
    page: '1',
    z: '0',
    x: '0',
    y: '0',
    name: 'schedule.csv',
    kind: 'laser',
    typeId: 'ceiling-speaker',
    mapId: 'no-such-map',
  };
}

describe('every route of the table', () => {
  let server: TestServer;
  let owner: TestClient;
  let ids: RouteValues;
  const rivals = {} as Record<Role, TestClient>;
  before(async function () {
    this.timeout(300_000);
    server = await startTestServer({ demo: true });
    owner = server.client();
    await owner.makeFirm('First', 'owner@first.test');
    ids = await idsOf(owner);
    const rival = server.client();
    await rival.makeFirm('Rival', 'owner@rival.test');
    const projectId = await rival.newProject('Rival house');
    rivals.owner = rival;
    for (const role of ['planner', 'crew', 'client'] as const)
      rivals[role] = await rival.invite(`${role}@rival.test`, role, role === 'client' ? [projectId] : []);
  });
  after(() => server.close());

  it('names who may call it, and asks for a session unless that is anybody', async () => {
    expect(server.routes.length).to.be.greaterThan(50);
    const stranger = server.client();
    await stranger.open();
    for (const route of server.routes.filter(({ access }) => access !== 'anyone')) {
      const { status } = await stranger.send(route.method, fillRoute(route, ids), route.method === 'GET' ? undefined : {});
      expect(status, `${route.method} ${route.path}`).to.equal(401);
    }
  });

  for (const role of ROLES)
    it(`gives a ${role} of another firm nothing of this one, and lets nothing be changed`, async function () {
      this.timeout(300_000);
      const before = JSON.stringify(await owner.load(ids.projectId));
      const people = await owner.json('GET', '/people');
      for (const route of server.routes) {
        // These begin or end a session of one's own.
        if (route.access === 'anyone' && route.method !== 'GET') continue;
        const address = fillRoute(route, ids);
        const response = await rivals[role].send(route.method, address, route.method === 'GET' ? undefined : {});
        const text = await response.text();
        const name = `${role}: ${route.method} ${route.path} -> ${response.status}`;
        expect(response.status, name).to.be.lessThan(500);
        expect(text, name).to.not.match(SECRET);
        if (route.access !== 'anyone' && !hasRight(role, route.access)) expect(response.status, name).to.equal(403);
        // Addresses that hold an id of the other firm lead nowhere.
        else if (/:(projectId|jobId|invitationId|memberId|printedId|deletedId|sessionName)/.test(route.path))
          expect(response.status, name).to.be.oneOf(
            route.path.includes('/people/members') ? [404, 422] : route.path.includes('restore') ? [403, 404] : [404],
          );
      }
      expect(JSON.stringify(await owner.load(ids.projectId))).to.equal(before);
      expect(await owner.json('GET', '/people')).to.deep.equal(people);
    });

  it('answers a method that it does not have as an address that does not exist', async () => {
    for (const path of ['/projects/import', '/people', '/jobs', '/library/rules/x'])
      expect((await owner.send('DELETE', path)).status, path).to.equal(404);
  });
});

describe('roles within a firm', () => {
  let server: TestServer;
  let owner: TestClient;
  let projectId: string;
  before(async () => {
    server = await startTestServer();
    owner = await server.client().makeFirstAccount();
    ({ id: projectId } = await owner.json<{ id: string }>('POST', '/projects/import', FLAT));
  });
  after(() => server.close());
  const resultOf = async (client: TestClient, fields: object, list: 'runs' | 'devices') => {
    const { document: project, revision } = await owner.load(projectId);
    const record = Object.values(project[list])[0];
    const change = client.change([update(list, record as never, fields as never)!], revision);
    const [result] = (await client.sendChanges(projectId, change)).results;
    return result.status === 'applied' ? 'applied' : result.problem.code;
  };

  it('let a crew write down what was pulled and found, and nothing of the plan', async () => {
    const crew = await owner.invite('crew@example.test', 'crew');
    expect(await resultOf(crew, { state: 'labelled' }, 'runs')).to.equal('applied');
    expect(await resultOf(crew, { note: 'behind the radiator' }, 'devices')).to.equal('applied');
    expect(await resultOf(crew, { deviceSlackM: 2 }, 'runs')).to.equal('role-too-low');
    expect(await resultOf(crew, { x: 1 }, 'devices')).to.equal('role-too-low');
    expect((await crew.send('POST', '/projects', { name: 'Crew house', units: 'metric' })).status).to.equal(403);
    expect((await crew.send('GET', `/projects/${projectId}/file`)).status).to.equal(403);
    expect((await crew.send('GET', `/projects/${projectId}/documents/schedule.csv`)).status).to.equal(200);
    const { lines } = await owner.json<{ lines: { kind: string; by: string; about: object }[] }>('GET', '/people/audit');
    expect(lines.filter(({ kind }) => kind === 'refused').map(({ by, about }) => [by, about])).to.deep.include([
      'crew',
      { project: 'Ropewalk Flat', list: 'devices' },
    ]);
  }).timeout(300_000);

  it('let a client read the projects that were chosen, and no other', async () => {
    const other = await owner.newProject('Other house');
    const client = await owner.invite('client@example.test', 'client', [projectId]);
    const { projects } = await client.json<{ projects: { id: string }[] }>('GET', '/projects');
    expect(projects.map(({ id }) => id)).to.deep.equal([projectId]);
    expect((await client.send('GET', `/projects/${projectId}`)).status).to.equal(200);
    expect((await client.send('GET', `/projects/${other}`)).status).to.equal(404);
    expect(await resultOf(client, { note: 'x' }, 'devices')).to.equal('role-too-low');
  });

  it('let planners delete projects only where the firm says so, and a deleted one rests until it is restored', async () => {
    const planner = await owner.invite('planner@example.test', 'planner');
    const house = await planner.newProject('Short-lived');
    expect((await planner.send('DELETE', `/projects/${house}`)).status).to.equal(403);
    await owner.send('PUT', '/people/settings', { plannersMayDelete: true });
    expect((await planner.send('DELETE', `/projects/${house}`)).status).to.equal(204);
    expect((await planner.send('GET', `/projects/${house}`)).status).to.equal(404);
    const deleted = await planner.json<{ projects: { id: string; deletedBy: string }[] }>('GET', '/deleted-projects');
    expect(deleted.projects.map(({ id, deletedBy }) => [id, deletedBy])).to.deep.equal([[house, 'planner']]);
    expect((await planner.send('POST', `/deleted-projects/${house}/restore`, {})).status).to.equal(204);
    expect((await planner.send('GET', `/projects/${house}`)).status).to.equal(200);
  });

  it('end with a removal at once, and the last owner stays', async () => {
    const leaver = await owner.invite('leaver@example.test', 'planner');
    const { members } = await owner.json<{ members: { id: string; email: string }[] }>('GET', '/people');
    const idOf = (email: string) => members.find((member) => member.email === email)!.id;
    expect((await owner.send('DELETE', `/people/members/${idOf('owner@example.test')}`)).status).to.equal(422);
    expect((await owner.send('PUT', `/people/members/${idOf('owner@example.test')}`, { role: 'crew' })).status).to.equal(422);
    expect((await owner.send('DELETE', `/people/members/${idOf('leaver@example.test')}`)).status).to.equal(204);
    expect((await leaver.send('GET', '/projects')).status).to.equal(401);
    expect((await leaver.signIn('leaver@example.test', 'a long enough password')).status).to.equal(401);
  });
});
