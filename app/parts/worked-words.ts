/** How a field is worked out, where it is shown. */
export const workedWords = {
  gone: 'a removed field',
  by: (name: string, how: string) => `${name} is worked out, so nobody fills it in: ${how}.`,
  lookUp: (of: string, over: string) => `the ${of} of ${over}`,
  linked: (name: string) => `what is in ${name}`,
  overs: { children: 'what is directly inside', inside: 'all that is inside', parent: 'what it is inside of' },
  rollUps: {
    count: (_of: string, over: string) => `how many items are in ${over}`,
    sum: (of: string, over: string) => `the sum of ${of} of ${over}`,
    average: (of: string, over: string) => `the average of ${of} of ${over}`,
    least: (of: string, over: string) => `the smallest ${of} of ${over}`,
    most: (of: string, over: string) => `the greatest ${of} of ${over}`,
    earliest: (of: string, over: string) => `the earliest ${of} of ${over}`,
    latest: (of: string, over: string) => `the latest ${of} of ${over}`,
    worst: (of: string, over: string) => `the worst ${of} of ${over}`,
    finished: (_of: string, over: string, weight: string) =>
      `the share of ${over} that is finished${weight ? `, weighed by ${weight}` : ''}`,
  },
} as const
