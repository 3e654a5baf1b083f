/** Wozu jede Station da ist und was man dort tut. */
export default {
  'guide.open': 'Was hier getan wird',
  'guide.close': 'Ich kenne das',
  'guide.next': 'Weiter zu {station}',
  'guide.end': 'Das war der ganze Weg. Mit jeder Person beginnt er neu.',
  'guide.of': '{n} von {of}',
  'guide.offer': 'Neu hier? Einen Termin Station für Station durchgehen.',
  'guide.walk': 'Den Gang beginnen',
  'guide.no': 'Jetzt nicht',
  'guide.story.for': 'Was von dieser Person bekannt ist: zuerst Warnzeichen, dann Krankheiten, Arzneien, Wünsche, was vertragen wird.',
  'guide.story.do':
    'Nach den Warnzeichen von heute fragen. Dann ansehen, was fehlt: eine Frage steht nur da, wo ihre Antwort etwas ändern kann.',
  'guide.measure.for': 'Tests, der entscheidendste zuerst. Was nicht getestet ist, gilt als nicht gezeigt.',
  'guide.measure.do': 'Den ersten Test nach seinen Zeilen machen und eintragen, was zu sehen war. Was er öffnet, steht sofort da.',
  'guide.limits.for': 'Was von diesem Körper heute nicht verlangt werden darf, warum, wer es sagt und bis wann.',
  'guide.limits.do':
    'Auf eine Grenze zeigen: was sie schließt, leuchtet auf. Die Klinik fragen, was unter „Die Klinik fragen“ steht, und die Antwort festhalten.',
  'guide.movements.for':
    'Die ganze Sammlung, für diesen Körper Haltung für Haltung beurteilt: wie sie ist, verändert oder draußen, mit dem Grund.',
  'guide.movements.do':
    'Einen Schritt öffnen, der draußen ist, und den Grund ansehen. Einen Regler bewegen: Körper, Lasten und Urteil folgen.',
  'guide.room.for': 'Was da ist: Stuhl, Bett, Wand, Arbeitsplatte, und was worunter gelegt werden kann.',
  'guide.room.do': 'Die gemessenen Höhen eintragen. Was zu dieser Person passt, ist mit seinen Maßen gezeichnet.',
  'guide.programme.for': 'Einheiten für die Woche aus dem, was offen ist, mit dem, was darin sein muss.',
  'guide.programme.do': 'Bauen. Festhalten, was bleiben soll, tauschen, was nicht gefällt; jeder Tausch ist erlaubt und geordnet.',
  'guide.visit.for': 'Die Stunde an der Matte: ein Tippen je Wiederholung, Fehler, Anzeichen, Pausen. Es geht ohne Netz.',
  'guide.visit.do': 'Die Fragen von heute beantworten, den Aufbau abhaken, beginnen. Ein Warnzeichen lässt sich jederzeit melden.',
  'guide.course.for': 'Was sich über die Wochen verändert hat und was als Nächstes kommt, jeder Vorschlag mit seinem Beleg.',
  'guide.course.do': 'Die Vorschläge lesen. Einen annehmen oder mit Grund ablehnen; nichts ändert sich ohne Sie.',
  'guide.papers.for': 'Übungsblatt, Kühlschrankblatt, Brief, Kalender, der private Link für zu Hause, und Unterlagen hinaus.',
  'guide.papers.do':
    'Das Übungsblatt und den Zettel für das Telefon drucken. Den Brief mit dem schicken, was nur die Klinik beantworten kann.',
} as const
