/** Ten lines to begin from, the first the shortest way to an answer. Each is answered; see the test beside `answer-line.ts`. */
export const LINE_EXAMPLES: readonly string[] = [
  'quill 31, 2-4, pack 2 2 2 5 5 5 10 10',
  'in the gap 12, 2-4, pack 30, from 32 35 38 39 40',
  'thrust washer 18, 4-8, pack 62, from 65 68 72 75',
  'under a cover 8 8.1 8, 2-4, pack 10 10, from 5 8 12, tenths dial',
  'pair of rings 4.3, up to 2, pack 57 57, from 58 58 59 59',
  'crank 6 7 6 7, 3-9',
  'crank at the flange 14, 4-8, pack 10 12, from 14 16',
  'eccentric shaft 3, 1.6-2.8, pack 318, from 319 320',
  'universal joint 4, up to 2, pack 57 57, from 58 58 59 59 60',
  'layshaft 0.35 mm, 0.05-0.15, quill, pack 0.1 0.1 0.05',
]
