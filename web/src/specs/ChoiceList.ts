import { defineComponent, h, provide } from 'vue'

/** A list to choose from whose options stand open: where it falls is the library's affair, and jsdom has no layout. */
export const ChoiceList = defineComponent({
  name: 'ElSelect',
  props: { modelValue: { type: null, default: undefined }, multiple: Boolean, ariaLabel: { type: String, default: '' } },
  emits: ['update:modelValue'],
  setup(props, { emit, slots }) {
    provide('pick', (value: unknown) => {
      const several = (props.modelValue ?? []) as unknown[]
      const next = several.includes(value) ? several.filter((v) => v !== value) : [...several, value]
      emit('update:modelValue', props.multiple ? next : value)
    })
    return () => h('div', { role: 'listbox', 'aria-label': props.ariaLabel }, slots.default?.())
  },
})
