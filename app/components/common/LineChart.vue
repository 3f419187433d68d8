<script setup lang="ts">
import { LineChart, ScatterChart } from 'echarts/charts'
import { AriaComponent, GridComponent, LegendComponent, MarkAreaComponent, TooltipComponent } from 'echarts/components'
import { useElementSize } from '@vueuse/core'
import { use } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import VChart from 'vue-echarts'
import { useTheme } from 'vuetify'
import { TOKENS, type TokenName } from '~/theme/tokens'

use([
  LineChart,
  ScatterChart,
  GridComponent,
  LegendComponent,
  MarkAreaComponent,
  TooltipComponent,
  AriaComponent,
  SVGRenderer,
])

export interface ChartSeries {
  name: string
  points: [number, number][]
  tone: TokenName
  kind?: 'line' | 'dashed' | 'dots'
}

// Named, since the chart measures its words before they are in the page.
const FAMILY = 'Atkinson Hyperlegible Next Variable, system-ui, sans-serif'

/** Lines or dots over one axis, in the application's colours. Loaded only where a chart is shown. */
const {
  series,
  label,
  xName,
  yName,
  height = 240,
  dates = false,
  yFrom = 0,
  band = null,
} = defineProps<{
  series: ChartSeries[]
  /** What the chart shows, for those who do not see it. */
  label: string
  xName: string
  yName: string
  height?: number
  /** What runs along is time, in ms since 1970. */
  dates?: boolean
  /** Where the upright axis begins; null for where the figures do. */
  yFrom?: number | null
  /** Between these the figures are as they should be. */
  band?: [number, number] | null
}>()
const { number, date } = useI18nText()
const theme = useTheme()
const dark = computed(() => theme.current.value.dark)
const colour = (tone: TokenName) => TOKENS[tone][dark.value ? 'dark' : 'light']

const ITEM = { gap: 16, swatch: 22, letter: 8, rowHeight: 28 }
const { width } = useElementSize(useTemplateRef<HTMLElement>('frame'))
/** The rows that the names of the series take: they stand beside each other while there is room. */
const rows = computed(() => {
  if (dates) return series.length > 1 ? series.length : 0
  let taken = 0
  return series.reduce((rows, { name }) => {
    const wide = ITEM.swatch + name.length * ITEM.letter
    const fits = taken === 0 || taken + ITEM.gap + wide <= width.value
    taken = fits ? taken + ITEM.gap + wide : wide
    return fits ? rows : rows + 1
  }, 1)
})

const option = computed(() => {
  const text = { color: colour('ink-soft'), fontFamily: FAMILY, fontSize: 13 }
  const axis = {
    type: 'value' as const,
    nameLocation: 'middle' as const,
    nameTextStyle: text,
    axisLabel: { ...text, formatter: (value: number) => number(value, value % 1 ? 1 : 0) },
    axisLine: { lineStyle: { color: colour('line') } },
    splitLine: { lineStyle: { color: colour('line') } },
  }
  return {
    animation: false,
    aria: { enabled: true, label: { description: label } },
    grid: { left: 52, right: 16, top: 14 + ITEM.rowHeight * rows.value, bottom: 44 },
    legend: {
      // One alone is named by the axis.
      show: !dates || series.length > 1,
      orient: dates ? ('vertical' as const) : ('horizontal' as const),
      top: 0,
      left: 0,
      itemWidth: ITEM.swatch,
      itemGap: ITEM.gap,
      textStyle: { ...text, color: colour('ink') },
      icon: 'roundRect',
      itemHeight: 3,
    },
    tooltip: {
      trigger: 'axis' as const,
      valueFormatter: (value: unknown) => number(Number(value), 1),
      ...(dates
        ? { axisPointer: { label: { formatter: ({ value }: { value: unknown }) => date(Number(value)) } } }
        : {}),
      backgroundColor: colour('ground-raised'),
      borderColor: colour('line'),
      textStyle: { color: colour('ink'), fontFamily: FAMILY },
    },
    xAxis: {
      ...axis,
      ...(dates
        ? { axisLabel: { ...text, hideOverlap: true, formatter: (value: number) => date(value) }, splitNumber: 4 }
        : {}),
      name: xName,
      nameGap: 26,
      splitLine: { show: false },
      min: 'dataMin' as const,
      max: 'dataMax' as const,
    },
    yAxis: { ...axis, name: yName, nameGap: 36, ...(yFrom === null ? { scale: true } : { min: yFrom }) },
    series: series.map(({ name, points, tone, kind = 'line' }, i) => ({
      ...(band && i === 0
        ? {
            markArea: {
              silent: true,
              itemStyle: { color: colour('food'), opacity: 0.16 },
              data: [[{ yAxis: band[0] }, { yAxis: band[1] }]] as [[{ yAxis: number }, { yAxis: number }]],
            },
          }
        : {}),
      ...(kind === 'dots'
        ? {
            type: 'scatter' as const,
            name,
            data: points,
            symbol: 'diamond',
            symbolSize: 11,
            itemStyle: { color: colour(tone) },
          }
        : {
            type: 'line' as const,
            name,
            data: points,
            showSymbol: false,
            lineStyle: { width: 2.5, type: kind === 'dashed' ? ('dashed' as const) : ('solid' as const) },
            itemStyle: { color: colour(tone) },
          }),
    })),
  }
})
</script>

<template>
  <div ref="frame">
    <VChart :option="option" :style="{ height: `${height}px` }" autoresize />
  </div>
</template>
