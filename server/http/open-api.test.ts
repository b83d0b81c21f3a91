import { expect } from 'chai';
import { startTestServer, type TestServer } from '../testing/test-server.ts';

interface Described {
  readonly openapi: string;
  readonly paths: Record<string, Record<string, Operation>>;
}
interface Operation {
  readonly operationId: string;
  readonly summary: string;
  readonly security: readonly object[];
  readonly parameters: readonly { readonly name: string; readonly in: string; readonly required: boolean }[];
  readonly requestBody?: { readonly content: Record<string, { readonly schema: { readonly properties?: object } }> };
  readonly responses: Record<string, { readonly content?: object }>;
}

describe('the description of the API', () => {
  let server: TestServer;
  let described: Described;
  before(async () => {
    server = await startTestServer();
    described = (await (await fetch(`${server.url}/api/openapi.json`)).json()) as Described;
  });
  after(() => server.close());

  it('has every route of the table once, with a name of its own and its parameters', () => {
    const operations = Object.values(described.paths).flatMap((path) => Object.values(path));
    expect(described.openapi).to.equal('3.1.0');
    expect(operations).to.have.length(server.routes.length);
    expect(new Set(operations.map(({ operationId }) => operationId))).to.have.property('size', operations.length);
    for (const [path, methods] of Object.entries(described.paths))
      for (const { summary, parameters, responses } of Object.values(methods)) {
        expect(summary, path).to.match(/^[A-Z].{6,}[^.]$/);
        const inPath = parameters.filter((one) => one.in === 'path').map(({ name }) => `{${name}}`);
        expect(inPath, path).to.deep.equal(path.match(/\{\w+\}/g) ?? []);
        expect(responses, path).to.have.property('default');
      }
  });

  it('tells what is sent, what is asked and what is answered, from the schemas', () => {
    const signIn = described.paths['/session'].post;
    expect(Object.keys(signIn.requestBody!.content['application/json'].schema.properties!)).to.deep.equal(['email', 'password']);
    expect(signIn.security).to.deep.equal([]);
    expect(described.paths['/projects/{projectId}/changes'].get.parameters).to.deep.include({
      name: 'since',
      in: 'query',
      required: true,
      schema: { type: 'integer', minimum: 0, maximum: 2_147_483_647 },
    });
    expect(described.paths['/projects/{projectId}/documents/plan.pdf'].get.responses[200].content).to.have.property('*/*');
    expect(described.paths['/people/members/{memberId}'].delete.responses).to.have.property('204');
    expect(described.paths['/projects'].get.security).to.deep.equal([{ session: [] }]);
  });

  it('refers to nothing that is not in it', () => {
    const text = JSON.stringify(described);
    for (const [, name] of text.matchAll(/"\$ref":"#\/components\/schemas\/(\w+)"/g))
      expect((described as unknown as { components: { schemas: object } }).components.schemas).to.have.property(name);
    expect(text).to.not.match(/"\$ref":"(?!#\/components\/schemas\/)/);
  });
});
