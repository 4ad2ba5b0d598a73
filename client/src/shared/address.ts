import { isNavigationFailure, NavigationFailureType, type LocationQueryRaw, type Router } from 'vue-router';

/** The routers on their way to another page: it takes a moment to be fetched. */
const leaving = new WeakSet<Router>();

/** Follows whether a router is on its way, for `note`. */
export function followAddress(router: Router): void {
  router.beforeEach((to, from) => {
    if (to.path !== from.path) leaving.add(router);
  });
  // A way given up for another one goes on with that.
  router.afterEach((_to, _from, failure) => {
    if (!isNavigationFailure(failure, NavigationFailureType.cancelled)) leaving.delete(router);
  });
  router.onError(() => leaving.delete(router));
}

/**
 * Writes in the address what the page came upon by itself: the step one is at, the words typed. Somebody on the way to
 * another page is not held back by it.
 */
export function note(router: Router, query: LocationQueryRaw): void {
  if (!leaving.has(router)) void router.replace({ query });
}
