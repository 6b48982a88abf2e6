import { describe, expect, it } from 'vitest'
import { dayNumber } from '#core/base/dates'
import { garden } from '#core/test-kit/garden'
import { fieldRef } from '#core/facts/registry'
import type { FieldId, GroupKey } from '#core/model/records'
import { nameOfGroup, totalText } from './group-names'

const { wording, idOf, fieldId, items } = garden()
const due = fieldId('due')
const effort = fieldId('effort')

describe('what a group is called', () => {
  it.each<[GroupKey, string | number | null, string]>([
    [{ by: { fact: 'status' } }, idOf('In hand'), 'In hand'],
    [{ by: { fact: 'status' } }, 'gone', 'removed'],
    [{ by: { fact: 'phase' } }, 'waiting', 'waiting'],
    [{ by: fieldRef(fieldId('need')) }, idOf('must'), 'must'],
    [{ by: fieldRef(fieldId('need')) }, null, 'no need'],
    [{ by: fieldRef(fieldId('assignees')) }, idOf('Imke'), 'Imke'],
    [{ by: { fact: 'turn' } }, 'nobody', 'nobody'],
    [{ by: { fact: 'parent' } }, items['Reopen the palm court']!.id, 'GLH-1 Reopen the palm court'],
    [{ by: { fact: 'parent' } }, null, 'at the top'],
    [{ by: fieldRef(fieldId('signed off')) }, 1, 'signed off'],
    [{ by: fieldRef(fieldId('signed off')) }, null, 'not signed off'],
    [{ by: fieldRef(effort) }, 250, '2.5 h'],
    [{ by: fieldRef(fieldId('outside reference')) }, 'A 7', 'A 7'],
    [{ by: fieldRef('removed' as FieldId) }, 'x', 'removed'],
  ])('%j %j', (key, value, words) =>
    expect(nameOfGroup(key, value, wording).toLowerCase()).toContain(words.toLowerCase()),
  )

  it.each([
    ['day', '2026-11-25', '2026-11-25'],
    ['week', '2026-11-23', '2026-11-23'],
    ['month', '2026-11-01', 'Nov 2026'],
    ['quarter', '2026-10-01', 'Oct to Dec 2026'],
    ['year', '2026-01-01', '2026'],
  ] as const)('of a %s: %s', (grain, first, words) =>
    expect(nameOfGroup({ by: fieldRef(due), grain }, dayNumber(first), wording)).toContain(words),
  )
})

describe('a total', () => {
  it.each([
    [{ name: 'count' }, 4, 'count 4'],
    [{ name: 'sum', of: fieldRef(effort) }, 1250, 'sum of effort 12.5 h'],
    [{ name: 'average', of: fieldRef(effort) }, 1600 / 3, 'average of effort 5.33 h'],
    [{ name: 'median', of: fieldRef(effort) }, 150, 'median of effort 1.5 h'],
    [{ name: 'sum', of: fieldRef(effort) }, null, 'sum of effort none'],
    [{ name: 'filled', of: fieldRef(effort) }, 7, 'filled of effort 7'],
    [{ name: 'distinct', of: fieldRef(fieldId('need')) }, 4, 'distinct of need 4'],
    [{ name: 'share' }, 1 / 3, 'share 33.3%'],
    [{ name: 'least', of: fieldRef(due) }, dayNumber('2026-11-20'), 'earliest of due 2026-11-20'],
    // 23:30 in UTC is the next day where the workspace is.
    [{ name: 'most', of: { fact: 'created' } }, Date.parse('2026-11-20T23:30:00Z'), 'latest of created 2026-11-21'],
    [{ name: 'average', of: { fact: 'level' } }, 0.5, 'average of level 0.5'],
  ] as const)('%j of %s', (total, value, words) => expect(totalText(total, value, wording)).toBe(words))
})
