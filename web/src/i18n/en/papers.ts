/** Papers. */
export default {
  'papers.handOut': 'Hand-out',
  'papers.fridge': 'Fridge sheet',
  'papers.letter': 'Letter to the referrer',
  'papers.calendar': 'Calendar file',
  'papers.texts': 'Our own texts',
  'papers.remind': 'Remind by mail an hour before',
  'papers.address': 'Mail address',
  'papers.keep': 'Keep',
  'papers.kept': 'Kept',
  'papers.names': 'Filled in: {names}',
  'papers.prepare': 'Which paper',
  'papers.remindLead': 'Leave it empty to send none. A reminder names no condition.',
  'papers.title': 'Hand-out',
  'papers.lead': 'Large print, this person’s pictures, this person’s furniture.',
  'papers.open': 'Open the PDF',
  'papers.needs': 'Build a programme first.',
}
