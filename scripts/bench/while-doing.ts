/** How long answers take, again and again with a pause between them, until the work is done. */
export async function whileDoing<T>(
  work: Promise<T>,
  ask: () => Promise<unknown>,
  everyMs: number,
): Promise<{ result: T; answersMs: number[] }> {
  const answersMs: number[] = [];
  let busy = true;
  const asking = (async () => {
    while (busy) {
      const start = performance.now();
      await ask();
      answersMs.push(performance.now() - start);
      await new Promise((done) => setTimeout(done, everyMs));
    }
  })();
  const result = await work.finally(() => (busy = false));
  await asking;
  return { result, answersMs };
}
