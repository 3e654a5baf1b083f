/** Records out and in. */
export default {
  'exchange.title': 'Records out, and tests in',
  'exchange.lead': 'For another practice, the client or another program. Whoever gets them is responsible for them; local law prevails.',
  'exchange.file': 'Everything that is kept, as one file',
  'exchange.fhir': 'For clinical programs (FHIR)',
  'exchange.tests': 'Tests as a table',
  'exchange.visits': 'Visits as a table',
  'exchange.dictionary': 'What the columns mean',
  'exchange.testsIn': 'Tests from a table',
  'exchange.taken': '{n} results taken.',
  'exchange.places': '{n} entries',
  'exchange.leftOut': 'Not taken',
  'exchange.fromFile': 'From a file',
  'exchange.fromFileLead':
    'A client that was taken out of a practice, a case, or a bundle of a clinical program (FHIR). It is judged anew; what loosens a limit waits until somebody here has confirmed it.',
  'exchange.choose': 'Choose the file',
  'exchange.noJson': 'This file cannot be read: it has to be JSON.',
  'exchange.refused': 'The file was not taken:',
  'exchange.broughtIn': 'The client is here.',
  'exchange.openClient': 'Open the story',
}
