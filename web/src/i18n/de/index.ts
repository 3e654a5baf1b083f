import course from './course'
import day from './day'
import door from './door'
import exchange from './exchange'
import guide from './guide'
import home from './home'
import house from './house'
import limits from './limits'
import measure from './measure'
import movements from './movements'
import own from './own'
import papers from './papers'
import people from './people'
import practice from './practice'
import programme from './programme'
import room from './room'
import rulebook from './rulebook'
import story from './story'
import visit from './visit'
import words from './words'

/** The same in German; a text that is missing fails the build. */
export default {
  ...course,
  ...day,
  ...door,
  ...exchange,
  ...guide,
  ...home,
  ...house,
  ...limits,
  ...measure,
  ...movements,
  ...own,
  ...papers,
  ...people,
  ...practice,
  ...programme,
  ...room,
  ...rulebook,
  ...story,
  ...visit,
  ...words,
}
