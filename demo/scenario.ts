/** A botanic garden reopens its old glasshouse: the people, the places and the work, all made up. */
import type { KindIcon, PaletteColour, Role } from '#core/model/records'

export interface DemoPerson {
  readonly name: string
  readonly role: Role
  readonly colour: PaletteColour
  readonly hours: number
  readonly craft: Craft
}
export type Craft = 'lead' | 'plants' | 'heating' | 'joinery' | 'water' | 'ironwork' | 'paint' | 'glass' | 'visitors'

/** Days of every year on which the garden’s team does not work. */
export const holidays = [
  { from: '01-01', to: '01-01', name: 'New Year’s Day' },
  { from: '05-01', to: '05-01', name: 'Garden day' },
  { from: '12-25', to: '12-26', name: 'Christmas' },
] as const
/** Who is away, from how many days after today, for how many. */
export const away = [
  { who: 'Hamid Torvald', from: 6, days: 5, name: 'Away' },
  { who: 'Noor Castellane', from: 13, days: 2, name: 'A course on ferns' },
  { who: 'Adaeze Marlow', from: 20, days: 9, name: 'Away' },
] as const

export const owner: DemoPerson = { name: 'Séverine Oakes', role: 'owner', colour: 'wren', hours: 40, craft: 'lead' }
export const team: readonly DemoPerson[] = [
  { name: 'Imke Sorrel', role: 'lead', colour: 'pond', hours: 36, craft: 'plants' },
  { name: 'Hamid Torvald', role: 'contributor', colour: 'pool', hours: 30, craft: 'heating' },
  { name: 'Tobias Renn', role: 'contributor', colour: 'bark', hours: 36, craft: 'joinery' },
  { name: 'Adaeze Marlow', role: 'contributor', colour: 'foxglove', hours: 32, craft: 'water' },
  { name: 'Piotr Halvorsen', role: 'contributor', colour: 'reed', hours: 38, craft: 'ironwork' },
  { name: 'Łucja Brandt', role: 'contributor', colour: 'iris', hours: 30, craft: 'paint' },
  { name: 'Noor Castellane', role: 'contributor', colour: 'slate', hours: 24, craft: 'heating' },
  { name: 'Gwilym Ashdown', role: 'contributor', colour: 'leaf', hours: 36, craft: 'glass' },
  { name: 'Mirela Quince', role: 'contributor', colour: 'foxglove', hours: 30, craft: 'plants' },
  { name: 'Jónas Whitlow', role: 'contributor', colour: 'reed', hours: 20, craft: 'visitors' },
  { name: 'Yuki Pemberton', role: 'reader', colour: 'iris', hours: 0, craft: 'visitors' },
]

export const kinds: readonly { name: string; icon: KindIcon }[] = [
  { name: 'defect', icon: 'defect' },
  { name: 'inspection', icon: 'inspection' },
  { name: 'deliverable', icon: 'deliverable' },
  { name: 'request', icon: 'request' },
]

export const bays = ['Palm court', 'Boiler house', 'Fern gallery', 'North bay', 'South bay', 'Potting sheds'] as const
export const tags = ['wet trade', 'heritage', 'public', 'scaffold', 'electrics', 'planting'] as const

export interface Job {
  readonly title: string
  readonly kind: 'task' | 'defect' | 'inspection'
  readonly hours: number
  /** Where it is another craft's than the package's. */
  readonly craft?: Craft
  readonly steps: readonly string[]
}
export interface Package {
  readonly title: string
  readonly craft: Craft
  readonly checker: Craft
  readonly jobs: readonly Job[]
}

const job =
  (kind: Job['kind'], craft?: Craft) =>
  (title: string, hours: number, ...steps: string[]): Job => ({ title, kind, hours, steps, ...(craft && { craft }) })
const task = job('task')
const defect = job('defect')
const inspection = job('inspection')
const painting = job('task', 'paint')
const glazing = job('task', 'glass')
const planting = job('task', 'plants')

/** What is done; every bay takes a part of each list. The bay's name comes in where `@` stands. */
export const packages: readonly Package[] = [
  {
    title: 'Heating of the @', craft: 'heating', checker: 'heating',
    jobs: [
      task('Flush the heating loop', 8, 'Photograph the valves before', 'Isolate the east branch'), task('Rewire pump control', 6), task('Lag the return pipes', 5, 'Cut the felt'),
      inspection('Safety valve, yearly check', 1), defect('Gauge reads 0.3 bar high', 3), task('Swap the thermostat', 2), task('Bleed and balance radiators', 5),
      defect('Loop loses pressure at night', 8), task('Descale the plate exchanger', 6), inspection('Flue draught, measured twice', 2), task('Move the frost sensor', 2),
      defect('Pump hums above 40 Hz', 4), task('Sweep the boiler', 3), task('Hang the pipe brackets', 7, 'Drill the brick, not the joint'), inspection('Smoke test', 1),
    ],
  },
  {
    title: 'Ironwork and glass of the @', craft: 'ironwork', checker: 'glass',
    jobs: [
      task('Reseat cast-iron brackets', 9, 'Mark every bracket', 'Lead for the bolts'), glazing('Survey ridge glazing', 4), glazing('Re-putty the lower panes', 14, 'Order linseed putty'),
      defect('Vent winder slips under load', 4), inspection('Load test of the walkway', 2), task('Straighten the finial', 6), glazing('Replace cracked lights', 10),
      defect('Rust under the gutter straps', 5), task('Re-thread the tie rods', 8), inspection('Count the glazing bars', 1), glazing('Seal the lantern', 7),
      defect('Handrail moves by a finger', 2), task('Cast two new rosettes', 12, 'Carve the pattern'), task('Oil every hinge', 2),
    ],
  },
  {
    title: 'Joinery and paint of the @', craft: 'joinery', checker: 'paint',
    jobs: [
      painting('Prime door furniture', 4), task('Re-hang rain goods', 6, 'Find the old fall'), painting('Paint the bench frames', 12, 'Sand to bare iron', 'First coat'),
      defect('Door drags on the sill', 2), task('Scarf a new sill', 9), painting('Match the old green', 5), inspection('Moisture of the oak', 1), task('Make six staging slats', 8),
      painting('Letter the bay sign', 6), defect('Paint lifts on the south side', 3), task('Ease the sash', 3), painting('Second coat, inside', 11),
    ],
  },
  {
    title: 'Water and planting of the @', craft: 'water', checker: 'plants',
    jobs: [
      planting('Bed in new soil', 10, 'Sieve the old loam'), planting('Repot the tree ferns', 7, 'Wrap the crowns'), inspection('Pressure-test mist lines', 3), planting('Label the collection', 5),
      defect('Tank overflows at night', 6), task('Lay the drip line', 8), planting('Bring the citrus home', 4), inspection('Hardness of the rainwater', 1), task('Clear the overflow', 2),
      defect('Mist nozzle spits', 2), planting('Divide the gingers', 6), task('Set the timer by season', 1), planting('Quarantine the new arrivals', 3),
    ],
  },
] // prettier-ignore

export const requests = [
  'Is the boiler house open to schools?', 'May we photograph a wedding in the palm court?', 'A bench for the fern gallery, in memory',
  'Which orchids flower in January?', 'Guided tour for the blind society', 'Pushchairs on the spiral stairs?', 'Cuttings of the old fig, for a school',
  'Concert on the reopening evening', 'The map at the gate is upside down', 'Volunteers on Sundays?', 'Where did the carp go?', 'A recording of the mist',
  'Loan of two palms for the town hall', 'Is the café vegan?', 'Drawing class, Thursdays', 'Lost: one green umbrella', 'Interview for the town’s radio',
  'Seeds for the allotment club', 'Wheelchair ramp at the north door', 'May dogs come in?', 'Group of forty, 3 December', 'A birthday among ferns',
  'Sponsor a pane of glass', 'Opening hours over the holidays',
] // prettier-ignore

export const seeds = [
  'Sort the bean packets', 'Germination test, batch 12', 'Dry the poppy heads', 'Label drawers A to F', 'Mend the cold store door', 'Count what came from exchange',
  'Write to three gardens', 'Photograph seed coats', 'Discard what is past its year', 'Order silica gel', 'Sieve the foxglove', 'List what the meadow needs',
] // prettier-ignore
