// Here: a server on a database of its own for tests, and a small client that keeps cookies.
// Not here: anything the product runs.
// Start with `startTestServer`.
export { follow } from './follow.ts';
export { freshDatabaseUrl } from './fresh-database.ts';
export { startTestServer, type TestServer, type TestServerOptions } from './test-server.ts';
export { TEST_PASSWORD, TEST_SETUP_TOKEN, TestClient } from './test-client.ts';
