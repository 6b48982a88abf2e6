import { shallowRef } from 'vue'
import type { AccountsAnswer } from '#core/wire/accounts'
import type { Person } from '#core/model/records'
import { callServer } from '../data/server'
import { useDirectory } from '../data/directory'
import { dayWords } from '../dates'
import { datesWords } from '../parts/words'
import { dateIn, dayNumber, weekday } from '#core/base/dates'
import { peopleWords } from './words'

/** What the server alone knows of people's accounts, for whoever manages people. */
export function useAccounts() {
  const directory = useDirectory()
  const known = shallowRef<AccountsAnswer['people']>({})
  async function ask(): Promise<void> {
    if (!directory.may('manage people')) return
    const answer = await callServer<AccountsAnswer>('GET', '/api/people')
    if (answer.ok) known.value = answer.value.people
  }
  /** *now*, a time today, a weekday within the last days, else a day. */
  function here(person: Person): string | undefined {
    const { isHere, lastSeen } = known.value[person.id] ?? {}
    if (isHere) return peopleWords.now
    if (!lastSeen) return undefined
    const { timeZone } = directory.reader.workspace()
    const day = dateIn(timeZone, lastSeen)
    const ago = dayNumber(directory.today) - dayNumber(day)
    if (ago <= 0) return new Intl.DateTimeFormat(directory.language, { hour: '2-digit', minute: '2-digit', timeZone }).format(new Date(lastSeen)) // prettier-ignore
    return ago < 7 ? datesWords.weekdays[weekday(day) - 1] : dayWords(day, directory.language, directory.today)
  }
  return { known, ask, here }
}
