<script setup lang="ts">
import { usePreferredDark } from '@vueuse/core'
import { LineChart } from 'echarts/charts'
import { GridComponent, LegendComponent, MarkLineComponent, TooltipComponent } from 'echarts/components'
import { use } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import { computed } from 'vue'
import VChart from 'vue-echarts'
import { say } from '../../i18n'
import { shortDayShown } from '../../i18n/days'
import type { FamilySeries } from './series'
import { steps } from './series'

/** Clean repetitions of both sides over the sessions of one movement; steps of the ladder and flares stand in it as lines. */
use([LineChart, GridComponent, LegendComponent, MarkLineComponent, TooltipComponent, SVGRenderer])
const props = defineProps<{ series: FamilySeries }>()
const dark = usePreferredDark()
const colour = (name: string): string => getComputedStyle(document.documentElement).getPropertyValue(name).trim()
const option = computed(() => {
  void dark.value // read, so that the chart is drawn again in the other ink
  const ink = colour('--ink')
  const points = props.series.points
  const days = points.map((p) => shortDayShown(p.on))
  const line = (name: string, values: (number | null)[], symbol: string, tone: string, dash: 'solid' | 'dashed') => ({
    name,
    type: 'line',
    data: values,
    connectNulls: true,
    symbol,
    symbolSize: 11,
    lineStyle: { width: 3, type: dash, color: tone },
    itemStyle: { color: tone },
    endLabel: { show: true, formatter: name, color: tone, fontSize: 15, fontWeight: 'bold' },
  })
  const has = (side: 'left' | 'right' | 'both'): boolean => points.some((p) => p[side] !== null)
  const marks = [
    ...steps(points).map((s) => ({
      xAxis: points.findIndex((p) => p.on === s.on),
      label: { formatter: `${s.up ? '▲' : '▼'} ${s.title}`, color: ink, fontSize: 13 },
      lineStyle: { color: colour('--ink-soft'), type: 'dotted' },
    })),
    ...points.flatMap((p, i) =>
      p.flare
        ? [
            {
              xAxis: i,
              label: { formatter: `✱ ${say('course.flare')}`, color: colour('--brick'), fontSize: 13, position: 'insideEndTop' },
              lineStyle: { color: colour('--brick'), width: 2, type: 'solid' },
            },
          ]
        : [],
    ),
  ]
  const lines = [
    ...(has('left')
      ? [
          line(
            say('course.left'),
            points.map((p) => p.left),
            'circle',
            colour('--accent'),
            'solid',
          ),
        ]
      : []),
    ...(has('right')
      ? [
          line(
            say('course.right'),
            points.map((p) => p.right),
            'rect',
            colour('--straw'),
            'dashed',
          ),
        ]
      : []),
    ...(has('both')
      ? [
          line(
            say('course.both'),
            points.map((p) => p.both),
            'circle',
            colour('--accent'),
            'solid',
          ),
        ]
      : []),
  ]
  return {
    animation: false,
    textStyle: { fontFamily: 'Atkinson Hyperlegible', color: ink, fontSize: 14 },
    grid: { left: 48, right: 110, top: 42, bottom: 34 },
    tooltip: { trigger: 'axis', valueFormatter: (v: unknown) => (v === null ? '–' : `${String(v)} %`) },
    xAxis: { type: 'category', data: days, axisLabel: { color: ink, fontSize: 13 } },
    yAxis: {
      type: 'value',
      min: 0,
      max: 100,
      axisLabel: { formatter: '{value} %', color: ink, fontSize: 13 },
      splitLine: { lineStyle: { color: colour('--line') } },
    },
    series: lines.map((l, i) => (i === 0 ? { ...l, markLine: { symbol: 'none', data: marks } } : l)),
  }
})
</script>

<template>
  <VChart class="chart" :option="option" autoresize role="img" :aria-label="`${series.title}: ${say('course.repetitions')}`" />
</template>

<style scoped>
.chart {
  height: 300px;
  width: 100%;
}
</style>
