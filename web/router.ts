import { createRouter, createWebHistory, START_LOCATION, type Router } from 'vue-router'
import { everyWord, say } from './spoken'
import type { useFleet } from './live/fleet'
import type { useSession } from './stores/session'
import TodayScreen from './today/TodayScreen.vue'

const FIRST_SCREENS: ReadonlySet<string> = new Set(['today', 'sign-in'])

/** Screens load when they are first opened; Today comes with the shell. */
export function makeRouter(session: ReturnType<typeof useSession>, fleet: ReturnType<typeof useFleet>): Router {
  const router = createRouter({
    history: createWebHistory(),
    // the first page is at its top already, and asking would lay it out before it is painted; what is chosen on a page
    // changes its address, not its place
    scrollBehavior: (to, from, saved) =>
      from === START_LOCATION || to.path === from.path ? false : (saved ?? { top: 0 }),
    routes: [
      { path: '/', redirect: '/today' },
      { path: '/sign-in', name: 'sign-in', component: () => import('./signIn/SignInScreen.vue'), meta: { open: true } },
      { path: '/today', name: 'today', component: TodayScreen },
      { path: '/wall', name: 'wall', component: () => import('./today/WallScreen.vue'), meta: { bare: true } },
      { path: '/incident', name: 'incident', component: () => import('./incident/IncidentScreen.vue') },
      { path: '/course', name: 'course', component: () => import('./course/CourseScreen.vue') },
      {
        path: '/course/:lesson',
        name: 'lesson',
        component: () => import('./course/LessonScreen.vue'),
        props: true,
      },
      {
        path: '/practice/of/:person',
        name: 'person-practice',
        component: () => import('./practice/PersonPractice.vue'),
        props: true,
      },
      { path: '/practice', name: 'practice', component: () => import('./practice/PracticeScreen.vue') },
      {
        path: '/phone-angle',
        name: 'phone-angle',
        component: () => import('./practice/PhoneAngle.vue'),
        meta: { bare: true },
      },
      { path: '/count', name: 'count', component: () => import('./count/CountScreen.vue'), meta: { bare: true } },
      { path: '/rack', name: 'rack', component: () => import('./rack/RackScreen.vue') },
      { path: '/rack-walk', name: 'rack-walk', component: () => import('./walk/RackWalk.vue'), meta: { bare: true } },
      {
        path: '/moving-in',
        name: 'moving-in',
        component: () => import('./movingIn/MovingIn.vue'),
      },
      { path: '/slip/:code', name: 'slip', component: () => import('./labels/SlipSheet.vue'), props: true },
      { path: '/ledger', name: 'ledger', component: () => import('./ledger/LedgerScreen.vue') },
      { path: '/ledger/time', name: 'time', component: () => import('./ledger/TimeScreen.vue') },
      { path: '/stock', name: 'stock', component: () => import('./ledger/StockScreen.vue') },
      { path: '/safety-file', name: 'safety-file', component: () => import('./ledger/SafetyFile.vue') },
      { path: '/knife/:code/card', name: 'card', component: () => import('./knife/KnifeCard.vue'), props: true },
      { path: '/report', name: 'report', component: () => import('./ledger/ReportSheet.vue') },
      { path: '/labels', name: 'labels', component: () => import('./labels/LabelSheet.vue') },
      // what labels say to a camera, in capitals or not: a knife, a place at the rack, a piece of gear
      {
        path: '/k/:code',
        redirect: ({ params }) => ({ name: 'knife', params: { code: String(params['code']).toUpperCase() } }),
      },
      { path: '/p/:place', name: 'place', component: () => import('./labels/PlaceLanding.vue'), props: true },
      { path: '/g/:gear', redirect: '/house?part=gear' },
      { path: '/knife/:code', name: 'knife', component: () => import('./knife/KnifeScreen.vue'), props: true },
      {
        path: '/check/:code',
        name: 'check',
        component: () => import('./check/CheckScreen.vue'),
        props: true,
        meta: { bare: true },
      },
      {
        path: '/bench/:code',
        name: 'bench',
        component: () => import('./bench/BenchScreen.vue'),
        props: true,
        meta: { bare: true },
      },
      {
        path: '/knife/:code/session/:id',
        name: 'session',
        component: () => import('./knife/SessionScreen.vue'),
        props: true,
      },
      { path: '/workshop', name: 'what-if', component: () => import('./workshop/WorkshopScreen.vue') },
      {
        path: '/workshop/:code',
        name: 'workshop',
        component: () => import('./workshop/WorkshopScreen.vue'),
        props: true,
      },
      { path: '/week', name: 'week', component: () => import('./week/WeekScreen.vue') },
      { path: '/year', name: 'year', component: () => import('./year/YearScreen.vue') },
      { path: '/crew', name: 'crew', component: () => import('./crew/CrewScreen.vue') },
      { path: '/roll', name: 'roll', component: () => import('./roll/RollScreen.vue') },
      { path: '/my-day', redirect: '/roll' },
      { path: '/learned', name: 'learned', component: () => import('./learning/LearningScreen.vue') },
      { path: '/deliveries', name: 'deliveries', component: () => import('./exchange/ExchangeScreen.vue') },
      { path: '/exchange', redirect: '/deliveries' },
      { path: '/chain', name: 'chain', component: () => import('./chain/ChainScreen.vue') },
      { path: '/house', name: 'house', component: () => import('./house/HouseScreen.vue') },
      { path: '/:rest(.*)*', redirect: '/today' },
    ],
  })
  // Today and the way in have their words at once; whoever opens another screen first waits for the rest
  router.beforeEach(async ({ name }) => {
    if (!FIRST_SCREENS.has(String(name))) await everyWord()
  })
  router.beforeEach(async (to) => {
    if (to.meta['open'] || session.signedIn) return true
    // asked for together; without a session both are refused
    fleet.load().catch(() => undefined)
    try {
      await session.resume()
      return true
    } catch {
      return { name: 'sign-in', query: to.fullPath === '/today' ? {} : { back: to.fullPath } }
    }
  })
  // the page says where one is: the knife's code, or the name of the screen
  router.afterEach(({ name, params }) => {
    const code = typeof params['code'] === 'string' ? params['code'] : null
    const screen = typeof name === 'string' ? say(`place.${name}`) : ''
    document.title = [code, screen, 'Yorvik'].filter(Boolean).join(' · ')
  })
  return router
}
