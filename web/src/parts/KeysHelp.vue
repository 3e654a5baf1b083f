<script setup lang="ts">
import { say } from '../i18n'
import type { MessageKey } from '../i18n'

/** Which key leads where. */
defineProps<{ keys: Record<string, StationName> }>()
type StationName = MessageKey extends infer K ? (K extends `station.${infer Name}` ? Name : never) : never
const open = defineModel<boolean>({ required: true })
</script>

<template>
  <el-dialog v-model="open" :title="say('keys.title')" width="420">
    <dl class="keys">
      <template v-for="(name, key) in keys" :key="key"
        ><dt>
          <kbd>{{ key }}</kbd>
        </dt>
        <dd>{{ say('keys.station', { name: say(`station.${name}`) }) }}</dd></template
      >
      <dt><kbd>/</kbd></dt>
      <dd>{{ say('keys.find') }}</dd>
      <dt><kbd>?</kbd></dt>
      <dd>{{ say('keys.help') }}</dd>
    </dl>
  </el-dialog>
</template>

<style scoped>
.keys {
  display: grid;
  grid-template-columns: 60px 1fr;
  gap: 8px;
  margin: 0;
}
.keys dd {
  margin: 0;
}
kbd {
  border: 1.5px solid var(--line);
  border-bottom-width: 3px;
  border-radius: 6px;
  padding: 1px 9px;
  background: var(--ground);
}
</style>
