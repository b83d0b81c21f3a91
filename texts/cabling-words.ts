import type { CablingWords } from '@dusky-spool/core/sheets';
import { en } from './en/index.ts';
import { placeWords } from './place-words.ts';
import { words } from './words.ts';

/** The words of the cabling sheet, for print and command line. */
export function cablingWords(): CablingWords {
  const { sealKinds, sealStates, members, spareFor: why, made, features } = en.terms;
  const { several, notKnown, missing, noWay: noPathway, unsigned } = en.documents.cabling.words;
  return {
    kinds: { ...features, ...made },
    members,
    sealKinds,
    sealStates,
    why,
    several,
    notKnown,
    missing,
    noWay: noPathway,
    unsigned,
    signed: (by, on) => words.t('documents.cabling.words.signed', { by, on }),
    place: placeWords,
  };
}
