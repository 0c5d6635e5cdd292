import type { CopiesDto } from './dto/backup'
import type {
  ClearingDto,
  ConditionDto,
  LeftOutDto,
  FitDto,
  FoundPackDto,
  NewCheckDto,
  ReadingDto,
  ReopenDto,
  ReserveDto,
  SettingsDto,
  SignOffDto,
  TickDto,
  VoidDto,
} from './dto/check'
import type { CommandDto, OperationDto, RemovalDto } from './dto/command'
import type { BoreKitDto, GaugeChangeDto, GaugeCheckDto, NewGaugeDto, ZeroedDto } from './dto/gauge'
import type { JobChangeDto, NewJobDto, PartChangeDto, UnitChangeDto } from './dto/job'
import type { LabelsDto } from './dto/label'
import type { LapDto, LapEndDto, LapPassDto } from './dto/lap'
import type { KeptLineDto } from './dto/line'
import type { LibraryChangeDto, NewLibraryLimitDto } from './dto/library'
import type { CancellationDto, NewLineDto, NewPurchaseDto, PurchaseChangeDto, ReceiptBackDto, ReceiptDto } from './dto/order'
import type { NewPersonDto, PersonChangeDto } from './dto/person'
import type { PhotoChangeDto } from './dto/photo'
import type { NewRouteDto } from './dto/route'
import type { ApartDto, LotChangeDto, MovementDto, NewLotDto } from './dto/stock'
import type { OrdersView } from './orders'
import type { Copies, GaugeRecord, LabelView, Person, UnitView } from './record'
import type { CheckView, JobView, KeptLimit, NewJob, Photo, RegisteredGauge, RouteView, StockView } from './types'

/**
 * Every write there is: method and address, what is sent, what is answered. Page, outbox, routes and tests are typed by it; the files of a
 * route and this table are compared by a test. Files that are sent as they are (photographs, worksheets, drawers, backups) are not in it.
 */
export interface Writes {
  'POST /api/jobs': [NewJobDto, NewJob]
  'PATCH /api/jobs/:id': [JobChangeDto, JobView]
  'POST /api/jobs/:id/removal': [RemovalDto, { readonly removed: boolean }]
  'POST /api/jobs/:id/checks': [NewCheckDto, CheckView]
  'POST /api/jobs/:id/part-changes': [PartChangeDto, JobView]
  'PATCH /api/units/:id': [UnitChangeDto, UnitView]
  'POST /api/lines': [KeptLineDto, CheckView]
  'POST /api/routes': [NewRouteDto, RouteView[]]
  'POST /api/routes/:id/removal': [RemovalDto, RouteView[]]

  'POST /api/checks/:id/removal': [RemovalDto, JobView]
  'POST /api/checks/:id/settings': [SettingsDto, CheckView]
  'POST /api/checks/:id/readings': [ReadingDto, CheckView]
  'POST /api/checks/:id/voids': [VoidDto, CheckView]
  'POST /api/checks/:id/ticks': [TickDto, CheckView]
  'POST /api/checks/:id/left-out': [LeftOutDto, CheckView]
  'POST /api/checks/:id/conditions': [ConditionDto, CheckView]
  'POST /api/checks/:id/clearings': [ClearingDto, CheckView]
  'POST /api/checks/:id/found-pack': [FoundPackDto, CheckView]
  'POST /api/checks/:id/fittings': [FitDto, CheckView]
  'POST /api/checks/:id/reserves': [ReserveDto, CheckView]
  'POST /api/checks/:id/wants': [ReserveDto, CheckView]
  'POST /api/checks/:id/laps': [LapDto, CheckView]
  'POST /api/checks/:id/lap-passes': [LapPassDto, CheckView]
  'POST /api/checks/:id/lap-ends': [LapEndDto, CheckView]
  'POST /api/checks/:id/sign-off': [SignOffDto, CheckView]
  'POST /api/checks/:id/reopen': [ReopenDto, CheckView]

  'POST /api/gauges': [NewGaugeDto, RegisteredGauge]
  'PATCH /api/gauges/:id': [GaugeChangeDto, RegisteredGauge]
  'POST /api/gauges/:id/kit': [BoreKitDto, RegisteredGauge]
  'POST /api/gauges/:id/zeroed': [ZeroedDto, RegisteredGauge]
  'POST /api/gauges/:id/checks': [GaugeCheckDto, GaugeRecord]

  'POST /api/stock/lots': [NewLotDto, StockView]
  'PATCH /api/stock/lots/:id': [LotChangeDto, StockView]
  'POST /api/stock/lots/:id/movements': [MovementDto, StockView]
  'POST /api/stock/lots/:id/pieces': [ApartDto, StockView]
  'POST /api/stock/lots/:id/join': [CommandDto, StockView]
  'POST /api/stock/lots/:id/removal': [RemovalDto, StockView]

  'POST /api/orders': [NewPurchaseDto, OrdersView]
  'PATCH /api/orders/:id': [PurchaseChangeDto, OrdersView]
  'POST /api/orders/:id/receipts': [ReceiptDto, OrdersView]
  'POST /api/orders/:id/returns': [ReceiptBackDto, OrdersView]
  'POST /api/orders/:id/cancellations': [CancellationDto, OrdersView]
  'POST /api/orders/:id/back': [CommandDto, OrdersView]
  'POST /api/orders/lines': [NewLineDto, OrdersView]
  'POST /api/orders/lines/:id/removal': [OperationDto, OrdersView]

  'POST /api/limits': [NewLibraryLimitDto, KeptLimit]
  'PATCH /api/limits/:id': [LibraryChangeDto, KeptLimit]
  'POST /api/limits/:id/removal': [RemovalDto, KeptLimit]

  'POST /api/people': [NewPersonDto, Person[]]
  'PATCH /api/people/:id': [PersonChangeDto, Person[]]
  'POST /api/people/:id/removal': [RemovalDto, Person[]]

  'PATCH /api/photos/:id': [PhotoChangeDto, Photo[]]
  'POST /api/photos/:id/removal': [RemovalDto, Photo[]]
  'POST /api/labels': [LabelsDto, LabelView[]]
  'PATCH /api/copies': [CopiesDto, Copies]
}
export type WriteKey = keyof Writes
/** What is sent; who stands at the screen is added where it is left out. */
export type BodyOf<Key extends WriteKey> = Sent<Writes[Key][0]>
export type AnswerOf<Key extends WriteKey> = Writes[Key][1]
type Sent<Dto> = Plain<Omit<Dto, 'content'>>
type Plain<T> = T extends number | string | boolean | null | undefined
  ? T
  : T extends readonly (infer One)[]
    ? readonly Plain<One>[]
    : { readonly [Field in keyof T]: Plain<T[Field]> }

/** Whose address has a name in it. */
export type NamedWrite = Extract<WriteKey, `${string}/:id${string}`>
/** That take a version and no more than `removed`. */
export type RemovalKey = { [Key in NamedWrite]: Writes[Key][0] extends RemovalDto ? Key : never }[NamedWrite]

/** What can be done to a check on the bench, by the end of its address. */
export type CheckWrite = Exclude<
  NamedWrite extends infer Key ? (Key extends `POST /api/checks/:id/${infer End}` ? End : never) : never,
  'removal'
>
/** The version it goes onto and the name of the write are the sender’s. */
export type CheckBody<End extends CheckWrite> = Omit<BodyOf<`POST /api/checks/:id/${End}`>, 'op' | 'version'>
/** What can be set of a check; what is left out stays. */
export type CheckSettings = CheckBody<'settings'>['settings']
/** One of them, whichever. */
export type CheckRequest = { [End in CheckWrite]: { readonly path: End; readonly body: CheckBody<End> } }[CheckWrite]
/** What a write makes is called this, and was made then. */
export interface Made {
  readonly id: string
  readonly at: string
}
/** Does it, and says whether it was done. */
export type CheckCommand = <End extends CheckWrite>(path: End, body: CheckBody<End> | ((made: Made) => CheckBody<End>)) => Promise<boolean>

/** Method and address of a write to a thing of this name. */
export function requestTo(key: WriteKey, id = ''): { readonly method: string; readonly path: string } {
  const [method, path] = key.split(' ') as [string, string]
  return { method, path: path.replace(':id', encodeURIComponent(id)) }
}
