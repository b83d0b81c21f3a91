import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import express, { Router } from 'express';

/** The built web app; every address that is not a file is the app itself, with the page's nonce put in. */
export function servePages(folder: string): Router {
  const router = Router();
  let page: string | null = null;
  const index: express.RequestHandler = (request, response, next) => {
    if (request.method !== 'GET' && request.method !== 'HEAD') return next();
    if (/\.[a-z0-9]{2,5}$/i.test(request.path) && request.path !== '/index.html') return next();
    try {
      page ??= readFileSync(join(folder, 'index.html'), 'utf8');
    } catch {
      response.status(503).type('text').send('The web app is not built yet. Run: npm run build');
      return;
    }
    response
      .set('Cache-Control', 'no-cache')
      .type('html')
      .send(page.replaceAll('__NONCE__', response.locals.nonce as string));
  };
  router.get('/', index);
  router.get('/index.html', index);
  router.use(
    '/assets',
    express.static(join(folder, 'assets'), { immutable: true, maxAge: '365d', index: false, fallthrough: false }),
  );
  router.use(express.static(folder, { index: false, maxAge: 0 }));
  router.get('/{*path}', index);
  return router;
}
