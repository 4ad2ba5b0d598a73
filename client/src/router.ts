import { createRouter, createWebHistory } from 'vue-router';
import { followAddress } from './shared/address';
import { useSession } from './shared/session';

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'shelf', component: () => import('./shelf/ShelfPage.vue'), meta: { title: 'Shelf' } },
    { path: '/workshop/:place?', name: 'workshop', component: () => import('./workshop/WorkshopPage.vue'), meta: { title: 'Workshop' } },
    { path: '/slips', name: 'slips', component: () => import('./slips/SlipsPage.vue'), meta: { title: 'Slips' } },
    { path: '/uses', name: 'uses', component: () => import('./uses/UsesPage.vue'), meta: { title: 'Where used' } },
    { path: '/people', name: 'people', component: () => import('./people/PeoplePage.vue'), meta: { title: 'People' } },
    { path: '/me', name: 'me', component: () => import('./session/MePage.vue'), meta: { title: 'Your access' } },
    { path: '/join', name: 'join', component: () => import('./session/JoinPage.vue'), meta: { open: true, title: 'Choose a password' } },
    { path: '/sign-in', name: 'sign-in', component: () => import('./session/SignInPage.vue'), meta: { open: true, title: 'Sign in' } },
    {
      path: '/r/:id(\\d+)',
      component: () => import('./frame/ProcedurePage.vue'),
      children: [
        { path: '', redirect: { name: 'write' } },
        { path: 'follow', name: 'follow', component: () => import('./follow/FollowPage.vue'), meta: { title: 'Follow' } },
        { path: 'write', name: 'write', component: () => import('./write/WritePage.vue'), meta: { title: 'Write' } },
        { path: 'joints', name: 'joints', component: () => import('./joints/JointsPage.vue'), meta: { title: 'Joints' } },
        { path: 'chart', name: 'chart', component: () => import('./chart/ChartPage.vue'), meta: { title: 'Chart' } },
        { path: 'ready', name: 'ready', component: () => import('./ready/ReadyPage.vue'), meta: { title: 'Ready' } },
        { path: 'review', name: 'review', component: () => import('./review/ReviewPage.vue'), meta: { title: 'Review' } },
        { path: 'print', name: 'print', component: () => import('./print/PrintPage.vue'), meta: { title: 'Print' } },
      ],
    },
    { path: '/:rest(.*)*', component: () => import('./frame/NotFoundPage.vue'), meta: { title: 'Not found' } },
  ],
});

followAddress(router);

router.beforeEach(async (to) => {
  const session = useSession();
  if (!session.view || session.offline) {
    try {
      await session.load();
    } catch {
      // Without a server nobody is known to be signed in; the sign-in page says so.
      return to.meta.open ? true : { name: 'sign-in', query: { to: to.fullPath } };
    }
  }
  if (!to.meta.open && !session.signedIn) return { name: 'sign-in', query: { to: to.fullPath } };
  // Nothing else opens before the second factor is there.
  if (!to.meta.open && session.view?.factorDue && to.name !== 'me') return { name: 'me', query: { to: to.fullPath } };
  return true;
});

router.afterEach((to) => {
  // A procedure's page says itself which one it is.
  if (!to.params.id) document.title = `${String(to.meta.title ?? '')} · Worn Path`;
});
