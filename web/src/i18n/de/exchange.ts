/** Daten hinaus und herein. */
export default {
  'referrer.title': 'Von der überweisenden Stelle',
  'referrer.lead':
    'Jemanden auf dem Server der überweisenden Stelle suchen und holen, was dort bekannt ist. Hier wird es beurteilt wie jeder Eintrag.',
  'referrer.name': 'Name beginnt mit',
  'referrer.look': 'Dort suchen',
  'referrer.nobody': 'Niemand dort heißt so.',
  'referrer.fetch': 'Holen',
  'referrer.more': 'Es gibt mehr; mehr vom Namen schreiben.',
  'referrer.send': 'An die überweisende Stelle senden',
  'referrer.sent': 'Es liegt bei der überweisenden Stelle.',
  'exchange.title': 'Daten hinaus, Tests und Besuche herein',
  'exchange.lead':
    'Für eine andere Praxis, die Person selbst oder ein anderes Programm. Wer sie bekommt, ist dafür verantwortlich; örtliches Recht geht vor.',
  'exchange.file': 'Alles, was aufbewahrt ist, als eine Datei',
  'exchange.fhir': 'Für klinische Programme (FHIR)',
  'exchange.tests': 'Tests als Tabelle',
  'exchange.visits': 'Besuche als Tabelle',
  'exchange.dictionary': 'Was die Spalten bedeuten',
  'exchange.testsIn': 'Tests aus einer Tabelle',
  'exchange.visitsIn': 'Besuche aus einer Tabelle',
  'exchange.taken': '{n} übernommen.',
  'exchange.places': '{n} Einträge',
  'exchange.leftOut': 'Nicht übernommen',
  'exchange.fromFile': 'Aus einer Datei',
  'exchange.fromFileLead':
    'Eine Person, die aus einer Praxis mitgenommen wurde, ein Fall oder ein Bündel eines klinischen Programms (FHIR). Alles wird neu beurteilt; was eine Grenze lockert, wartet, bis es hier jemand bestätigt hat.',
  'exchange.choose': 'Die Datei wählen',
  'exchange.noJson': 'Diese Datei ist nicht lesbar: es muss JSON sein.',
  'exchange.refused': 'Die Datei wurde nicht übernommen:',
  'exchange.broughtIn': 'Die Person ist da.',
  'exchange.openClient': 'Die Geschichte öffnen',
}
