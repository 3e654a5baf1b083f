<script setup lang="ts">
import { computed, ref } from 'vue'
import { say } from '../../i18n'
import { dayShown } from '../../i18n/days'
import { useClient } from '../../stores/client'
import { useSession } from '../../stores/session'
import AuditTrail from './AuditTrail.vue'
import BetweenDays from './BetweenDays.vue'
import HistoryList from './HistoryList.vue'
import LibraryMap from './LibraryMap.vue'
import ClosedBy from './ClosedBy.vue'
import { groups, headline } from './limitRows'
import WaitsToBeShown from './WaitsToBeShown.vue'
import PosturesLeft from './PosturesLeft.vue'
import RangeFigures from './RangeFigures.vue'
import ReviewForm from './ReviewForm.vue'
import SaidList from './SaidList.vue'
import WordForms from './WordForms.vue'

const client = useClient()
const session = useSession()
const screen = computed(() => client.view!.screen)
const bound = computed(() => groups(screen.value.limits))
const count = computed(() => bound.value.reduce((n, g) => n + g.rows.length, 0))
const closes = (id: string): string[] => effect(id)?.closes ?? []
const go = (where: string): void =>
  document
    .querySelector(`[data-part="${where}"]`)
    ?.scrollIntoView({ behavior: matchMedia('(prefers-reduced-motion: reduce)').matches ? 'auto' : 'smooth' })
const open = ref('')
/** The limit under the pointer or the keyboard: the movements that it closes light up. */
const lit = ref('')
const word = ref<string>()
const past = ref(false)
const tested = computed(() => screen.value.assumptions.filter((a) => !a.is_range))
const ranges = computed(() => screen.value.assumptions.filter((a) => a.is_range))
const effect = (id: string) => client.effects?.effects[id]
const { titleOf } = session

const told = computed(() => {
  const looked = lit.value || open.value
  const limit = screen.value.limits.find((l) => l.id === looked)
  if (!limit || !client.effects) return ''
  return say('limits.closesMap', { what: headline(limit), n: effect(looked)?.closes.length ?? 0 })
})
/** Two curves owe the same thing once. */
const owed = computed(() =>
  screen.value.obligations.filter((o, i, all) => all.findIndex((x) => x.title === o.title && x.source === o.source) === i),
)
const failed = computed(() => client.effectsFailed)
client.askEffects()
</script>

<template>
  <div class="limits">
    <section class="stack">
      <ClosedBy v-if="client.effects" :limits="screen.limits" :closes="closes" @go="go" />
      <div class="sheet stack">
        <div class="row spread">
          <h2>{{ say('limits.range') }}</h2>
          <span class="row small key"
            ><i class="a" />{{ say('limits.available') }}<i class="f" />{{ say('limits.unloaded') }}<i class="l" />{{ say('limits.loaded')
            }}<i class="e" />{{ say('limits.edge') }}</span
          >
        </div>
        <RangeFigures />
      </div>
      <PosturesLeft :lit="lit || open" />
      <div class="sheet stack" data-part="binds">
        <h2>
          {{ say('limits.title') }} <span class="soft">{{ count || '' }}</span>
        </h2>
        <p v-if="failed" role="alert">
          {{ say('limits.effectsFailed') }} {{ failed }}
          <button type="button" class="quiet-action" @click="client.askEffectsAgain">{{ say('app.again') }}</button>
        </p>
        <p v-if="!count">{{ say('limits.none') }}</p>
        <div class="binds">
          <div class="stack">
            <section v-for="g in bound" :key="g.origin + g.title" class="stack because" :class="g.origin">
              <h3>
                {{ g.title
                }}<span v-if="g.origin !== 'rule'" class="tag who">{{ say(g.origin === 'clinician' ? 'limits.word' : 'limits.own') }}</span>
              </h3>
              <ul class="list">
                <li
                  v-for="{ limit: l, same } in g.rows"
                  :key="l.id"
                  @mouseenter="lit = l.id"
                  @mouseleave="lit = ''"
                  @focusin="lit = l.id"
                  @focusout="lit = ''"
                >
                  <button
                    type="button"
                    class="limit"
                    :class="l.strength"
                    :aria-expanded="open === l.id"
                    @click="open = open === l.id ? '' : l.id"
                  >
                    <span class="strength">{{ say(`strength.${l.strength}`) }}</span>
                    <span class="says"
                      >{{ headline(l)
                      }}<span v-if="same.length" class="soft small also">{{ say('limits.also', { n: same.length + 1 }) }}</span></span
                    >
                    <span class="tags"
                      ><span v-if="l.grades" class="tag">{{ l.grade + 1 }}/{{ l.grades }}</span
                      ><span v-if="effect(l.id)?.closes.length" class="tag">{{
                        say(effect(l.id)!.closes.length === 1 ? 'limits.closesOne' : 'limits.closes', { n: effect(l.id)!.closes.length })
                      }}</span></span
                    >
                  </button>
                  <div v-if="open === l.id" class="more">
                    <dl v-for="x in [l, ...same]" :key="x.id" class="why">
                      <dt>{{ say('limits.why') }}</dt>
                      <dd>{{ x.reason }}</dd>
                      <dt>{{ say('limits.source') }}</dt>
                      <dd>{{ x.source }}</dd>
                      <dt>{{ say('limits.who') }}</dt>
                      <dd>{{ x.set_by }}</dd>
                      <template v-if="x.review_on"
                        ><dt>{{ say('limits.reviewOn') }}</dt>
                        <dd>{{ dayShown(x.review_on) }}</dd></template
                      >
                      <template v-if="x.valid_until"
                        ><dt>{{ say('limits.until') }}</dt>
                        <dd>{{ dayShown(x.valid_until) }}; {{ x.next_grade }}</dd></template
                      >
                      <template v-if="x.waits_for"
                        ><dt>{{ say('limits.waits') }}</dt>
                        <dd>{{ x.waits_for }}</dd></template
                      >
                      <template v-if="effect(x.id)?.closes.length"
                        ><dt>{{ say('limits.closed') }}</dt>
                        <dd>
                          {{ effect(x.id)!.closes.map(titleOf).join('; ')
                          }}<span class="soft"> ({{ say('limits.alone', { n: effect(x.id)!.alone.length }) }})</span>
                        </dd></template
                      >
                      <template v-if="effect(x.id)?.next_grade_opens.length"
                        ><dt>{{ say('limits.wouldOpen') }}</dt>
                        <dd>{{ effect(x.id)!.next_grade_opens.map(titleOf).join('; ') }}</dd></template
                      >
                    </dl>
                    <ReviewForm v-if="l.grades" :limit="l" :opens="effect(l.id)?.next_grade_opens ?? []" />
                  </div>
                </li>
              </ul>
            </section>
          </div>
          <LibraryMap
            v-if="count"
            :movements="session.reference?.movements ?? []"
            :closed="effect(lit || open)?.closes ?? []"
            :says="told"
          />
        </div>
        <div class="row">
          <button type="button" class="quiet-action" @click="word = ''">{{ say('limits.addWord') }}</button><button
            type="button"
            class="quiet-action"
            :aria-expanded="past"
            @click="past = !past"
          >
            {{ say('limits.history') }}
          </button>
        </div>
        <HistoryList v-if="past" /><BetweenDays v-if="past" /><AuditTrail v-if="past && session.may('see_audit')" />
      </div>
      <WaitsToBeShown data-part="waits" :limits="screen.limits" :effect="effect" @light="lit = $event" />
    </section>
    <aside class="stack">
      <RouterLink :to="`/client/${client.id}/movements`" class="main-action">{{ say('limits.toMovements') }}</RouterLink>
      <div v-if="screen.sign_offs.length" class="sheet stack refer">
        <h2>{{ say('limits.signOff') }}</h2>
        <div v-for="s in screen.sign_offs" :key="s.clears" class="row spread">
          <span>{{ s.title }}</span><button type="button" class="quiet-action" @click="word = s.clears">{{ say('limits.record') }}</button>
        </div>
      </div>
      <SaidList />
      <div v-if="screen.referrals.length" class="sheet stack refer">
        <h2>{{ say('limits.refer') }}</h2>
        <p v-for="r in screen.referrals" :key="r.id">
          {{ r.text }}<br /><span class="soft small">{{ r.source }}</span>
        </p>
      </div>
      <div v-if="client.effects?.moved.length" class="sheet stack">
        <h2>{{ say('limits.since', { day: dayShown(client.effects.since) }) }}</h2>
        <p v-for="m in client.effects.moved" :key="m.id">
          <span class="tag">{{ say(`moved.${m.change}`) }}</span> {{ m.says || m.was }}
        </p>
      </div>
      <div v-if="screen.obligations.length" class="sheet stack">
        <h2>{{ say('limits.must') }}</h2>
        <p v-for="o in owed" :key="o.id">
          <b>{{ o.title }}</b><br /><span class="soft small">{{ o.source }}</span>
        </p>
      </div>
      <div class="sheet stack">
        <h2>{{ say('limits.assumed') }}</h2>
        <p v-for="a in tested" :key="a.id">{{ a.text }}</p>
        <details v-if="ranges.length">
          <summary>{{ say('limits.untested', { n: ranges.length }) }}</summary>
          <p v-for="a in ranges" :key="a.id" class="small">{{ a.text }}</p>
        </details>
      </div>
      <div v-if="screen.aged.length" class="sheet stack">
        <h2>{{ say('limits.aged') }}</h2>
        <p v-for="a in screen.aged" :key="a">{{ a }}</p>
      </div>
      <p class="soft small">{{ say('app.support') }}</p>
    </aside>
    <el-dialog :model-value="word !== undefined" :title="say('limits.addWord')" width="620" @update:model-value="word = undefined"
      ><WordForms v-if="word !== undefined" :clears="word" @kept="word = undefined"
    /></el-dialog>
  </div>
</template>

<style scoped>
.limits {
  display: grid;
  grid-template-columns: 1fr 330px;
  gap: var(--space-4);
  align-items: start;
}
.key i {
  width: 16px;
  height: 10px;
  display: inline-block;
  border-radius: 3px;
}
.a {
  background: #d6dcd8;
  border: 1px solid var(--ink);
}
.f {
  background: #8fbfbd;
}
.l {
  background: #2f6f73;
}
.e {
  background: var(--brick);
  height: 3px !important;
}
.binds {
  display: grid;
  grid-template-columns: 1fr 232px;
  gap: var(--space-4);
  align-items: start;
}
.list {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 6px;
  align-content: start;
}
.limit {
  width: 100%;
  display: grid;
  grid-template-columns: 84px 1fr auto;
  gap: var(--space-2);
  align-items: center;
  text-align: left;
  min-height: 50px;
  border: 0;
  background: var(--ground);
  border-radius: var(--round-small);
  padding: 8px 14px;
  cursor: pointer;
  border-left: 6px solid var(--accent);
}
.limit.forbidden {
  border-left-color: var(--brick);
}
.limit.forbidden .strength {
  color: var(--brick);
}
.limit.caution {
  border-left-color: var(--straw);
}
.limit.caution .strength {
  color: var(--straw);
}
.strength {
  font-weight: 700;
}
.says {
  font-size: 18px;
}
.tags {
  display: flex;
  gap: 6px;
}
.who {
  background: var(--straw-wash);
}
.more {
  margin: 6px 0 10px 20px;
}
.why {
  margin: 0 0 8px;
  display: grid;
  grid-template-columns: 120px 1fr;
  gap: 4px 14px;
}
.why dt {
  font-weight: 700;
}
.why dd {
  margin: 0;
}
.also {
  margin-left: 8px;
}
.because h3 {
  display: flex;
  gap: 10px;
  align-items: center;
}
.because {
  gap: 6px;
}
.refer {
  border-color: var(--straw);
  background: var(--straw-wash);
}
summary {
  min-height: 44px;
  display: flex;
  align-items: center;
  cursor: pointer;
  text-decoration: underline dotted;
}
aside .main-action {
  justify-content: center;
}
@media (max-width: 1100px) {
  .limits {
    grid-template-columns: minmax(0, 1fr);
  }
}
@media (max-width: 720px) {
  .binds {
    grid-template-columns: minmax(0, 1fr);
  }
  .limit {
    grid-template-columns: 1fr;
  }
  .why {
    grid-template-columns: 1fr;
  }
}
</style>
