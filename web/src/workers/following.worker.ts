import { DerivedProject } from '@dusky-spool/core/deltas';
import type { FollowingAnswer, FollowingQuestion } from './following-contract.ts';
import { en } from '@dusky-spool/texts';

/** Routes, checks and the schedule, away from the page. What is asked while they are worked out is answered in between. */
const following = new DerivedProject(en.terms);
const say = (answer: FollowingAnswer) => (self as unknown as Worker).postMessage(answer);

/** Works this long before it looks whether something was asked, ms. */
const SLICE_MS = 12;
/** Progress is told no more often than this, ms. */
const TELL_MS = 100;

let edits = 0;
/** Counts what was begun: what was begun later calls off what was begun before it. */
let begun = 0;
let lastPreview = 0;

/** The next task of this thread, after the messages that have come. */
const channel = new MessageChannel();
const waiting: (() => void)[] = [];
channel.port1.onmessage = () => waiting.shift()?.();
const breath = () =>
  new Promise<void>((done) => {
    waiting.push(done);
    channel.port2.postMessage(null);
  });

/** The result of the steps, or null where something later has called them off. */
async function worked<T>(
  steps: Generator<number, T>,
  stillWanted: () => boolean,
  tell?: (share: number) => void,
): Promise<T | null> {
  let slice = performance.now();
  let toldAt = slice;
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    const now = performance.now();
    if (now - slice < SLICE_MS) continue;
    if (tell && now - toldAt > TELL_MS) {
      tell(step.value);
      toldAt = now;
    }
    await breath();
    if (!stillWanted()) return null;
    slice = performance.now();
  }
}

async function follow(today: string): Promise<void> {
  const mine = ++begun;
  const upTo = edits;
  const wanted = () => mine === begun;
  const share = (done: number) => say({ tell: 'progress', share: done });
  // Of a house that was just opened the routes are told before the checks are made.
  const routed = await worked(following.route(), wanted, share);
  if (routed) say({ tell: 'routed', told: routed });
  if (!wanted()) return;
  const told = await worked(following.follow(today), wanted, share);
  if (told) say({ tell: 'followed', edits: upTo, told });
}

/** What is worked out for one who asks. */
function asked(question: FollowingQuestion & { readonly id: number }): unknown {
  if (question.ask === 'cures') return following.cures(question.ref);
  if (question.ask === 'choices') return following.choices(question.runId);
  if (question.ask === 'trunks') return following.trunks(() => question.newId);
  if (question.ask === 'bundles') return following.bundles();
  if (question.ask === 'scheme') return following.scheme(question.pattern);
  if (question.ask === 'both') return following.both(question.runId);
  return following.cabling();
}

async function answer(question: FollowingQuestion): Promise<void> {
  if (question.ask === 'open' || question.ask === 'edit') {
    edits++;
    if (question.ask === 'open') following.open(question.document, question.today);
    else following.edit(question.patch);
    await follow(question.today);
  } else if (question.ask === 'preview') {
    const { id, patch, today } = question;
    lastPreview = id;
    const told = await worked(following.preview(patch, today), () => id === lastPreview);
    if (told) say({ tell: 'previewed', id, told });
  } else if (question.ask === 'hold') {
    say({ tell: 'held', id: question.id, held: following.hold(question.operations, question.deviceIds) });
  } else if (question.ask === 'stop') {
    begun++;
  } else if (question.ask === 'go-on') {
    await follow(question.today);
  } else {
    say({ tell: 'answer', id: question.id, value: asked(question) });
  }
}

self.onmessage = (event: MessageEvent<FollowingQuestion>) => {
  answer(event.data).catch((error: unknown) => say({ tell: 'failed', message: String(error) }));
};
