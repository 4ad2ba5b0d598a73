import { expect, test } from 'vitest';
import { createMemoryHistory, createRouter } from 'vue-router';
import { followAddress, note } from './address';

const page = { template: '<p />' };

test('a page on its way is not held back by what the one before writes in the address', async () => {
  let fetched: (value: typeof page) => void = () => undefined;
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [
      { path: '/write', component: page },
      { path: '/joints', component: () => new Promise<typeof page>((resolve) => (fetched = resolve)) },
      { path: '/lost', component: () => Promise.reject(new Error('not fetched')) },
    ],
  });
  followAddress(router);
  await router.push('/write');
  note(router, { step: 'a' });
  await expect.poll(() => router.currentRoute.value.fullPath).toBe('/write?step=a');

  const going = router.push('/joints');
  await new Promise((done) => setTimeout(done));
  note(router, { step: 'b' });
  fetched(page);
  await going;
  expect(router.currentRoute.value.fullPath).toBe('/joints');

  // A page that cannot be fetched leaves one where one was, and the address is written again.
  await expect(router.push('/lost')).rejects.toThrow('not fetched');
  note(router, { at: '2' });
  await expect.poll(() => router.currentRoute.value.fullPath).toBe('/joints?at=2');
});
