// npm run setup: packages and the built web app, so that a server starts without writing into the checkout.
import { ensureBuilt, ensurePackages, tryPdfTools } from './prepare.mjs';

ensurePackages();
tryPdfTools();
ensureBuilt();
