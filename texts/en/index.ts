import { documents } from './documents.ts';
import { cures, findings } from './findings.ts';
import { mails } from './mails.ts';
import { problems } from './problems.ts';
import { reference } from './reference.ts';
import { terms } from './terms.ts';
import { ui } from './ui.ts';

/** All English texts; another language is another object of this shape. */
export const en = { problems, findings, cures, documents, terms, ui, mails, reference };
