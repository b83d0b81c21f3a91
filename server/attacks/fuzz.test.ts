import { expect } from 'chai';
import { startTestServer } from '../testing/test-server.ts';
import { fuzz } from './fuzz.ts';

const COUNT = Number(process.env.FUZZ_COUNT ?? 600);

describe('nonsense sent to every route', () => {
  it(`${COUNT} seeded requests are each answered below 500, and the server goes on`, async function () {
    this.timeout(20 * 60_000);
    const server = await startTestServer({ demo: true });
    try {
      const client = await server.client().enterDemo();
      const { projects } = await client.json<{ projects: { id: string; name: string }[] }>('GET', '/projects');
      const projectId = projects.find(({ name }) => name === 'Ropewalk Flat')!.id;
      const { document: project } = await client.load(projectId);
      const values = {
        projectId,
        deviceId: Object.keys(project.devices)[0],
        name: 'schedule.csv',
        kind: 'laser',
        page: '1',
        z: '0',
        y: '0',
        x: '0',
        typeId: 'ceiling-speaker',
        mapId: 'some-map',
        sheetId: 'a'.repeat(64),
        pictureId: 'b'.repeat(64),
      };
      const report = await fuzz(server, client, values, { seed: 20_261_129, count: COUNT });
      expect(report.failures).to.deep.equal([]);
      expect(report.requests).to.equal(COUNT);
      expect(report.byClass['4xx']).to.be.greaterThan(COUNT / 3);
      expect((await client.send('GET', '/health')).status).to.equal(200);
      expect((await client.load(projectId)).document.project).to.deep.equal(project.project);
    } finally {
      await server.close();
    }
  });
});
