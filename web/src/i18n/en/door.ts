/** The way in. */
export default {
  'login.title': 'Good to see you',
  'login.name': 'Name',
  'login.password': 'Password',
  'login.go': 'Come in',
  'login.lead': 'From a finding to a movement that fits, with the reason written beside it.',
  'login.code': 'Code of your device',
  'login.codeLead': 'Your log-in asks for a second thing: the code that your device shows now, or one of those you wrote down.',
  'login.forgotten': 'No password, or forgotten?',
  'welcome.title': 'Choose a password',
  'welcome.lead': 'At least ten characters, nothing that is easy to guess. Three odd words do well.',
  'welcome.go': 'Keep this password',
  'welcome.done': 'Done. Come in with it.',
  'forgotten.title': 'A new password',
  'forgotten.lead': 'If there is such a log-in, a mail with a link goes to its address.',
  'forgotten.go': 'Send the link',
  'forgotten.done': 'If there is such a log-in, a mail is on its way.',
}
