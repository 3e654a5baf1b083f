import { defineComponent, h, inject } from 'vue'

/** One of the options of a `ChoiceList`. */
export const ChoiceOption = defineComponent({
  name: 'ElOption',
  props: { value: { type: null, default: undefined }, label: { type: String, default: '' }, disabled: Boolean },
  setup(props) {
    const pick = inject<(value: unknown) => void>('pick')!
    return () => h('button', { type: 'button', role: 'option', disabled: props.disabled, onClick: () => pick(props.value) }, props.label)
  },
})
