import type en from '../en/own'

/** What everybody sets for themselves. */
export default {
  'own.title': '{name}: Anmeldung',
  'own.second': 'Ein zweiter Nachweis',
  'own.lead': 'Ein Code von Ihrem Telefon, nach dem Passwort gefragt. Wer nur das Passwort erfährt, kommt nicht hinein.',
  'own.has': 'Er wird gefragt, wann immer Sie eintreten. Von den aufgeschriebenen Codes sind {n} übrig.',
  'own.password': 'Ihr Passwort',
  'own.begin': 'Einrichten',
  'own.remove': 'Entfernen',
  'own.scan':
    'Lassen Sie eine App für solche Codes das Bild lesen, oder tippen Sie die Buchstaben ein. Dann geben Sie den Code ein, den sie zeigt.',
  'own.picture': 'Bild mit dem Geheimnis für Ihr Gerät',
  'own.code': 'Code',
  'own.confirm': 'Das ist der Code',
  'own.written':
    'Ab jetzt gilt er. Schreiben Sie diese auf: jeder lässt Sie einmal ein, wenn das Gerät verloren ist. Sie werden nur jetzt gezeigt.',
  'own.wroteDown': 'Sie sind aufgeschrieben',
  'own.where': 'Wo Sie angemeldet sind',
  'own.here': 'Hier',
  'own.unknown': 'ein unbekanntes Gerät',
  'own.since': 'seit {began}, zuletzt benutzt {seen}',
  'own.end': 'Dort abmelden',
  'own.endOthers': 'Überall sonst abmelden',
  'own.another': 'Anderes Passwort',
  'own.old': 'Bisheriges Passwort',
  'own.new': 'Neues Passwort',
  'own.keep': 'Das neue behalten',
  'own.changed': 'Geändert. Jede andere Sitzung ist beendet.',
} satisfies Record<keyof typeof en, string>
