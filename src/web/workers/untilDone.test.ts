import { untilDone } from './untilDone.ts';

test('what is told on the way comes through, what arrives after the result is dropped', async () => {
  const told: number[] = [];
  let late: (done: number) => void = () => undefined;
  const result = await untilDone<number, string>(
    async (tell) => {
      tell(250);
      late = tell;
      return 'landed';
    },
    (done) => told.push(done),
  );
  late(2000);
  expect(result).toBe('landed');
  expect(told).toEqual([250]);
});

test('work that fails says so, and is not heard of afterwards', async () => {
  const told: number[] = [];
  let late: (done: number) => void = () => undefined;
  const failing = untilDone<number, never>(
    async (tell) => {
      late = tell;
      throw new Error('no machine');
    },
    (done) => told.push(done),
  );
  await expect(failing).rejects.toThrow('no machine');
  late(50);
  expect(told).toEqual([]);
});
