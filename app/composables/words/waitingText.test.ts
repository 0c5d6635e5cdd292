import { describe, expect, it } from 'vitest'
import { today } from './today'
import { waitingText } from './waitingText'

describe('how a check waits', () => {
  it.each([
    [{ state: 'wanted', pieces: 2, due: null }, '2 pieces to be ordered'],
    [{ state: 'ordered', pieces: 1, due: null }, 'waits for 1 piece'],
    [{ state: 'ordered', pieces: 3, due: '2099-05-04' }, 'waits for 3 pieces, due 4 May 2099'],
    [{ state: 'ordered', pieces: 3, due: '2020-05-04' }, 'waits for 3 pieces, was due 4 May 2020'],
    [{ state: 'here', pieces: 0, due: null }, 'what it waited for is here'],
    [{ state: 'not-coming', pieces: 0, due: null }, 'what it waited for will not come'],
  ] as const)('%o', (waiting, words) => expect(waitingText(waiting)).toBe(words))
  it('what is due today is not late', () => expect(waitingText({ state: 'ordered', pieces: 1, due: today() })).toContain(', due '))
})
