import type en from '../en/door'

/** The way in. */
export default {
  'login.title': 'Schön, dass Sie da sind',
  'login.name': 'Name',
  'login.password': 'Passwort',
  'login.go': 'Eintreten',
  'login.lead': 'Vom Befund zur Bewegung, die passt, mit dem Grund daneben.',
  'login.code': 'Code Ihres Geräts',
  'login.codeLead': 'Ihre Anmeldung fragt nach einem Zweiten: dem Code, den Ihr Gerät jetzt zeigt, oder einem der aufgeschriebenen.',
  'login.forgotten': 'Kein Passwort, oder vergessen?',
  'welcome.title': 'Passwort wählen',
  'welcome.lead': 'Mindestens zehn Zeichen, nichts leicht zu Erratendes. Drei ungewöhnliche Wörter tun es gut.',
  'welcome.go': 'Dieses Passwort behalten',
  'welcome.done': 'Fertig. Treten Sie damit ein.',
  'forgotten.title': 'Ein neues Passwort',
  'forgotten.lead': 'Wenn es diese Anmeldung gibt, geht eine Nachricht mit einem Link an ihre Adresse.',
  'forgotten.go': 'Link senden',
  'forgotten.done': 'Wenn es diese Anmeldung gibt, ist eine Nachricht unterwegs.',
} satisfies Record<keyof typeof en, string>
