import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { flushPromises, mount } from '@vue/test-utils'
import type { VueWrapper } from '@vue/test-utils'
import ElementPlus from 'element-plus'
import { createPinia, setActivePinia } from 'pinia'
import { vi } from 'vitest'
import { createApp, effectScope } from 'vue'
import type { Component } from 'vue'
import { createMemoryHistory, createRouter } from 'vue-router'
import type { Router } from 'vue-router'
import type { Action, Reference } from '../api/schemas'
import { i18n } from '../i18n'
import { useClient } from '../stores/client'
import { useSession } from '../stores/session'
import { ChoiceList } from './ChoiceList'
import { ChoiceOption } from './ChoiceOption'

/** What a page asked of the server. */
export interface Sent {
  method: string
  path: string
  body: unknown
}
/** A refusal as the server says it: fields with what is wrong with each are its detail where it has no other. */
export class Refusal {
  readonly detail: string
  constructor(
    public status: number,
    detail: string,
    public more: { faults?: { path: string; reason: string }[] } = {},
  ) {
    this.detail = detail || (more.faults ?? []).map((f) => `${f.path}: ${f.reason}`).join('; ')
  }
}
/** No connection at all. */
export const UNREACHABLE = Symbol('no network')
type Answers = Record<string, unknown>

const BASE = '/api/v1'
const unforeseen: string[] = []
const endings: (() => void)[] = []

/** What pages asked that their test does not answer; after this nothing is shown and nothing was asked. */
export function ended(): string[] {
  for (const end of endings.splice(0)) end()
  return unforeseen.splice(0)
}

function asResponse(answer: unknown): Response {
  if (answer === UNREACHABLE) throw new TypeError('no network')
  const [status, data] =
    answer instanceof Refusal
      ? [answer.status, { type: 'about:blank', title: 'Refused', status: answer.status, detail: answer.detail, faults: [], ...answer.more }]
      : [200, answer]
  return new Response(JSON.stringify(data), { status, headers: { 'content-type': 'application/json' } })
}

/** A server that answers `METHOD /path` with data, a Refusal, UNREACHABLE, or what a function of the body gives; what it was sent. */
export function served(answers: Answers): Sent[] {
  const sent: Sent[] = []
  vi.stubGlobal('fetch', async (request: Request | string) => {
    const asked = typeof request === 'string' ? new Request(new URL(request, location.origin)) : request
    const path = new URL(asked.url).pathname.replace(BASE, '')
    if (path === '/session') return asResponse({ csrf_token: 'a-token' })
    const text = asked.method === 'GET' ? '' : await asked.clone().text()
    const one: Sent = { method: asked.method, path, body: text ? JSON.parse(text) : undefined }
    sent.push(one)
    const key = `${asked.method} ${path}`
    const known: Record<string, unknown> = { 'GET /reference': reference, ...answers }
    if (!(key in known)) unforeseen.push(key)
    const answer = known[key]
    return asResponse(typeof answer === 'function' ? await (answer as (body: unknown) => unknown)(one.body) : answer)
  })
  return sent
}

/** What was sent with this method, without what only asked. */
export const changes = (sent: Sent[]): Sent[] => sent.filter((s) => s.method !== 'GET')

interface Setting {
  props?: Record<string, unknown>
  /** The client that is open; the server answers `GET /clients/…` with it. */
  view?: { id: string } & Record<string, unknown>
  reference?: Partial<Record<keyof Reference, unknown>>
  may?: Action[]
  login?: string
  /** The address of the page, and how it is read. */
  at?: string
  path?: string
}

/** What the page that is shown has read; it is asked for again when another language is chosen. */
let reference: unknown = {}
let router: Router
/** The address to which the page has led. */
export const address = (): string => router.currentRoute.value.fullPath

/** Stores that nobody has used, and what they ask with. */
function freshStores() {
  const pinia = createPinia()
  setActivePinia(pinia)
  const queryClient = new QueryClient({ defaultOptions: { queries: { retry: false } } })
  return { pinia, asking: [VueQueryPlugin, { queryClient }] as [typeof VueQueryPlugin, { queryClient: QueryClient }] }
}

/** The component as a page shows it: with its stores, its words and its client. */
export async function mounted(component: Component, setting: Setting = {}): Promise<VueWrapper> {
  const { pinia, asking } = freshStores()
  router = createRouter({
    history: createMemoryHistory(),
    routes: [setting.path ?? '/', '/:elsewhere(.*)*'].map((path) => ({ path, component: {} })),
  })
  await router.push(setting.at ?? '/')
  const plugins = [pinia, i18n, ElementPlus, router, asking]
  const Stores = {
    setup: () => ({ session: useSession(), client: useClient() }),
    template: '<i />',
  }
  const holder = mount(Stores, { global: { plugins } })
  endings.push(() => holder.unmount())
  const stores = holder.vm as unknown as {
    session: ReturnType<typeof useSession>
    client: ReturnType<typeof useClient>
  }
  reference = setting.reference ?? {}
  stores.session.reference = reference as Reference
  stores.session.login = setting.login ?? 'ann'
  stores.session.user = 'Ann Weaver'
  stores.session.may = (action) => (setting.may ?? []).includes(action)
  if (setting.view) await stores.client.open(setting.view.id)
  const link = { props: ['to'], template: '<a :href="to"><slot /></a>' }
  const page = mount(component, {
    props: setting.props,
    attachTo: document.body,
    global: { plugins, stubs: { RouterLink: link, ElSelect: ChoiceList, ElOption: ChoiceOption, transition: true, teleport: true } },
  })
  endings.push(() => page.unmount())
  await flushPromises()
  return page as unknown as VueWrapper
}

/** What a component would use, without one; its stores are new. */
export function used<T>(use: () => T): T {
  const scope = effectScope()
  endings.push(() => scope.stop())
  const { pinia, asking } = freshStores()
  const app = createApp({})
    .use(pinia)
    .use(...asking)
  return app.runWithContext(() => scope.run(use)!)
}

/** The button that says this. */
export function button(page: VueWrapper, says: string) {
  const found = page.findAll('button').find((b) => b.text().includes(says))
  if (!found)
    throw new Error(
      `no button says “${says}”; there are: ${page
        .findAll('button')
        .map((b) => b.text())
        .join(' | ')}`,
    )
  return found
}
export const isOff = (page: VueWrapper, says: string): boolean => button(page, says).attributes('disabled') !== undefined
export async function press(page: VueWrapper, says: string): Promise<void> {
  await button(page, says).trigger('click')
  await flushPromises()
}
/** What is said aloud because something went wrong. */
export const alarm = (page: VueWrapper): string =>
  page
    .findAll('[role=alert]')
    .map((a) => a.text())
    .join(' ')

/** A client as the server shows it, with the parts that a test speaks of. */
export function viewOf(parts: { case?: Record<string, unknown>; screen?: Record<string, unknown> } & Record<string, unknown> = {}) {
  return {
    id: 'a',
    revision: 3,
    digest: 'a-3',
    stations: [],
    ranges: [],
    ...parts,
    case: {
      as_of: '2026-11-28',
      consent: { on: '2026-11-01', given_by: 'client', capacity_confirmed: true },
      conditions: [],
      clinician_words: [],
      overrides: [],
      reviews: [],
      own_limits: [],
      tests: [],
      room: { seats: [], wall: true },
      other_rooms: [],
      wishes: {
        goals: [],
        likes: [],
        dislikes: [],
        away: [],
        at: '10:00:00',
        medicine_hours: [],
        minutes: 25,
        days_per_week: 4,
        effort_0_to_10: 4,
      },
      tolerates: {},
      understanding: { language: 'en', by: [], dislikes: [] },
      ...parts.case,
    },
    screen: {
      stop_signs: [],
      stop_questions: [],
      sign_offs: [],
      limits: [],
      obligations: [],
      contradictions: [],
      findings: { readings: [] },
      ...parts.screen,
    },
  }
}
