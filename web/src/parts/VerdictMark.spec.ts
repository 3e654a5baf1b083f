import { mount } from '@vue/test-utils'
import { expect, test } from 'vitest'
import VerdictMark from './VerdictMark.vue'

const KINDS = ['as_is', 'modified', 'excluded', 'by_override', 'not_judged'] as const

test.each(KINDS)('%s has a shape and a word of its own', (verdict) => {
  const mark = mount(VerdictMark, { props: { verdict } })
  expect(mark.find('svg path').exists()).toBe(true)
  expect(mark.text().length).toBeGreaterThan(1)
})

test('no two verdicts share a shape or a word', () => {
  const marks = KINDS.map((verdict) => mount(VerdictMark, { props: { verdict } }))
  expect(new Set(marks.map((m) => m.find('path').attributes('d'))).size).toBe(KINDS.length)
  expect(new Set(marks.map((m) => m.text())).size).toBe(KINDS.length)
})

test('a quiet mark keeps its word for those who listen', () => {
  const mark = mount(VerdictMark, { props: { verdict: 'excluded', quiet: true } })
  expect(mark.find('.visually-hidden').text()).toBe('out')
})
