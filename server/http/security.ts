import { randomBytes } from 'node:crypto';
import type { RequestHandler, Response } from 'express';
import helmet from 'helmet';

const A_YEAR_S = 365 * 24 * 3600;

/** A fresh nonce for each page, and a policy under which nothing runs or loads that did not come with the app. */
export function securityHeaders(): RequestHandler[] {
  const nonce: RequestHandler = (_request, response, next) => {
    response.locals.nonce = randomBytes(16).toString('base64');
    next();
  };
  const policy = helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'none'"],
        scriptSrc: ["'self'"],
        styleSrc: ["'self'", (_request, response) => `'nonce-${(response as Response).locals.nonce as string}'`],
        imgSrc: ["'self'", 'data:', 'blob:'],
        fontSrc: ["'self'"],
        connectSrc: ["'self'"],
        workerSrc: ["'self'"],
        manifestSrc: ["'self'"],
        baseUri: ["'none'"],
        formAction: ["'self'"],
        frameAncestors: ["'none'"],
      },
    },
    referrerPolicy: { policy: 'no-referrer' },
    strictTransportSecurity: false,
  });
  // Only where the request came over TLS, as a trusted proxy says: on plain loopback it would lock the browser out.
  const onlyTls: RequestHandler = (request, response, next) => {
    if (request.secure) response.set('Strict-Transport-Security', `max-age=${A_YEAR_S}; includeSubDomains`);
    next();
  };
  return [nonce, policy, onlyTls];
}
