import type en from '../en/rulebook'

/** Rule-book. */
export default {
  'rulebook.version': 'Fassung {v}. Ein Versuch ändert nichts.',
  'rulebook.find': 'Regel, Zahl oder Quelle suchen',
  'rulebook.none': 'Keine Regel spricht davon.',
  'rulebook.numbers': 'Zahlen',
  'rulebook.noNumbers': 'Diese Regel hat keine eigene Zahl: sie fügt Vorsicht und Pflichten hinzu.',
  'rulebook.since': 'gilt seit {day}',
  'rulebook.checked': 'zuletzt gelesen {day}',
  'rulebook.again': 'zu prüfen bis {day} durch: {who}',
  'rulebook.duties': 'Fragt ärztlich nach, wenn',
  'rulebook.noDuty': 'Diese Regel fragt nicht ärztlich nach.',
  'rulebook.rules': 'Regeln und Tests',
  'rulebook.check': 'Durchgehen',
  'rulebook.try': 'Anderes versuchen',
  'rulebook.dryRun': 'Was würde sich ändern?',
  'rulebook.run': 'An allen Personen versuchen',
  'rulebook.unreadable':
    '{name}: dieser Eintrag lässt sich nicht beurteilen und wurde ausgelassen; öffnen Sie ihn und sehen Sie die letzte Änderung an.',
  'rulebook.touched': '{n} von {of} Personen wären betroffen',
  'rulebook.effect': '{opens} Stufen öffnen sich, {closes} schließen',
  'rulebook.examples': 'Geprüft mit',
} satisfies Record<keyof typeof en, string>
