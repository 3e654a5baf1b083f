import { createRouter, createWebHistory } from 'vue-router'
import type { RouteLocationNormalized } from 'vue-router'
import { useSession } from './stores/session'

export const STATIONS = ['story', 'measure', 'limits', 'movements', 'room', 'programme', 'visit', 'course', 'papers'] as const

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', redirect: '/day' },
    { path: '/home', name: 'home-door', component: () => import('./stations/home/HomeDoor.vue'), meta: { open: true } },
    { path: '/home/:code', name: 'home', component: () => import('./stations/home/HomePage.vue'), meta: { open: true } },
    { path: '/login', name: 'login', component: () => import('./stations/day/LogIn.vue') },
    { path: '/welcome', name: 'welcome', component: () => import('./stations/people/NewPassword.vue') },
    { path: '/own', name: 'own', component: () => import('./stations/people/OwnStation.vue') },
    { path: '/people', name: 'people', component: () => import('./stations/people/PeopleStation.vue') },
    { path: '/day', name: 'day', component: () => import('./stations/day/DayStation.vue') },
    { path: '/new', name: 'new', component: () => import('./stations/story/NewClient.vue') },
    { path: '/practice', name: 'practice', component: () => import('./stations/practice/PracticeStation.vue') },
    { path: '/rules', name: 'rulebook', component: () => import('./stations/rulebook/RulebookStation.vue') },
    // The whole screen is for the session; it opens without a network.
    { path: '/client/:id/visit', name: 'visit', component: () => import('./stations/visit/VisitStation.vue') },
    {
      path: '/client/:id',
      component: () => import('./parts/ClientFrame.vue'),
      redirect: (to) => `${to.path}/story`,
      children: [
        { path: 'story', name: 'story', component: () => import('./stations/story/StoryStation.vue') },
        { path: 'measure', name: 'measure', component: () => import('./stations/measure/MeasureStation.vue') },
        { path: 'limits', name: 'limits', component: () => import('./stations/limits/LimitsStation.vue') },
        { path: 'movements/:family?/:step?', name: 'movements', component: () => import('./stations/movements/MovementsStation.vue') },
        { path: 'room', name: 'room', component: () => import('./stations/room/RoomStation.vue') },
        { path: 'programme', name: 'programme', component: () => import('./stations/programme/ProgrammeStation.vue') },
        { path: 'course', name: 'course', component: () => import('./stations/course/CourseStation.vue') },
        { path: 'papers', name: 'papers', component: () => import('./stations/papers/PapersStation.vue') },
      ],
    },
    { path: '/:rest(.*)*', redirect: '/day' },
  ],
})

/** The page is fetched while it is asked who is there; what fails to come fails again where it is needed. */
function fetchAhead(to: RouteLocationNormalized): void {
  for (const { components } of to.matched) {
    const page: unknown = components?.default
    if (typeof page === 'function') void Promise.resolve(page()).catch(() => undefined)
  }
}

router.beforeEach(async (to) => {
  fetchAhead(to)
  const session = useSession()
  if (to.meta.open) return true
  await session.look()
  if (!session.user && to.name !== 'login' && to.name !== 'welcome') return { name: 'login', query: { to: to.fullPath } }
  // Whoever sees no clients begins with the people.
  if (to.name === 'day' && !session.may('see_clients')) return { name: 'people' }
  if (session.user && to.name !== 'day') await session.readUp()
  return true
})
