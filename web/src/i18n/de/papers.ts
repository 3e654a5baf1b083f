import type en from '../en/papers'

/** Papers. */
export default {
  'papers.course': 'Verlauf, für Klient und Zuweisende',
  'papers.handOut': 'Übungsblatt',
  'papers.fridge': 'Blatt für den Kühlschrank',
  'papers.letter': 'Brief an die überweisende Stelle',
  'papers.calendar': 'Kalenderdatei',
  'papers.texts': 'Unsere eigenen Texte',
  'papers.remind': 'Eine Stunde vorher per Mail erinnern',
  'papers.address': 'Mailadresse',
  'papers.keep': 'Behalten',
  'papers.kept': 'Behalten',
  'papers.names': 'Eingesetzt: {names}',
  'papers.prepare': 'Welches Blatt',
  'papers.remindLead': 'Leer lassen, um keine zu senden. Eine Erinnerung nennt keinen Befund.',
  'papers.title': 'Übungsblatt',
  'papers.lead': 'Große Schrift, die Bilder dieser Person, die Möbel dieser Person.',
  'papers.open': 'PDF öffnen',
  'papers.needs': 'Bauen Sie zuerst ein Programm.',
} satisfies Record<keyof typeof en, string>
