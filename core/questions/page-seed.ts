import type { Answers, Question } from './questions'

/** A question with its answer. */
export type Answered = readonly [Question, Answers[Question['ask']]]

/** What comes along with a signed-in page. */
export interface PageSeed {
  /** Who is signed in, and the server's build: what names the browser's worker. */
  readonly who: { readonly me: string; readonly build: string }
  /** The browser's, as it asked for the page: days are written in it here and there. */
  readonly language: string
  /** The workspace's, 0 to 23. */
  readonly hour: number
  /** To what the page asks first. */
  readonly answers: readonly Answered[]
}

export function answerIn(seed: PageSeed | undefined, question: Question | undefined): Answered[1] {
  const asked = JSON.stringify(question)
  return seed?.answers.find(([one]) => JSON.stringify(one) === asked)?.[1]
}
