import type { Nm } from '#core/quantity/length'
import type { LimitSet } from '#core/verdict/limits'
import type { SettingsChange } from '#core/command/command'
import type {
  CheckSettingsDto,
  ClearingDto,
  ConditionDto,
  LeftOutDto,
  FitDto,
  FoundPackDto,
  ReadingDto,
  ReopenDto,
  ReserveDto,
  SettingsDto,
  SignOffDto,
  TickDto,
  VoidDto,
} from '#shared/dto/check'
import type { LapDto, LapEndDto, LapPassDto } from '#shared/dto/lap'
import type { CheckView } from '#shared/types'
import type { Database } from '../database/client'
import { allGauges } from '../database/gauges'
import { partsOfJob } from '../database/parts'
import { commandCheck } from './command'

// What the routes send, as the commands of `core`: one line a command, nothing is decided here.

/** Optional fields arrive as undefined properties; a stored object must not carry them. */
const tidy = <T extends object>(value: T): T => JSON.parse(JSON.stringify(value)) as T

type Write<Dto> = (db: Database, id: string, dto: Dto) => Promise<CheckView>

export const logReading: Write<ReadingDto> = (db, id, { op, version, content, who, trialId, seen, ...reading }) =>
  commandCheck(db, id, { op, version, content, who }, { kind: 'read', trialId, reading, ...(seen === undefined ? {} : { seen }) })
export const voidReading: Write<VoidDto> = (db, id, dto) =>
  commandCheck(db, id, dto, { kind: 'void', readingId: dto.readingId, reason: dto.reason.trim() })
export const tickStep: Write<TickDto> = (db, id, dto) =>
  commandCheck(db, id, dto, { kind: 'tick', step: dto.step, trial: dto.trial, ticked: dto.ticked })

export const leaveOut: Write<LeftOutDto> = (db, id, dto) =>
  commandCheck(db, id, dto, { kind: 'leave-out', point: dto.point, trial: dto.trial, reason: dto.reason ?? null })
export const sayCondition: Write<ConditionDto> = (db, id, dto) =>
  commandCheck(db, id, dto, { kind: 'say', condition: dto.condition, trial: dto.trial, state: dto.state })
export const clearPending: Write<ClearingDto> = (db, id, dto) =>
  commandCheck(db, id, dto, { kind: 'clear', item: dto.item, trial: dto.trial, how: dto.how, by: dto.by })

export const listFoundPack: Write<FoundPackDto> = (db, id, dto) =>
  commandCheck(db, id, dto, { kind: 'list', place: dto.place, pieces: dto.pieces })
export const fitPack: Write<FitDto> = (db, id, { op, version, content, who, trialId, onto, packs, claim, inHand }) =>
  commandCheck(
    db,
    id,
    { op, version, content, who },
    { kind: 'fit', trialId, packs, claim: claim ?? false, inHand: inHand ?? [], ...(onto === undefined ? {} : { onto }) },
  )
export const reservePack: Write<ReserveDto> = (db, id, dto) =>
  commandCheck(db, id, dto, { kind: 'promise', place: dto.place, pieces: dto.pieces })
export const wantPieces: Write<ReserveDto> = (db, id, dto) =>
  commandCheck(db, id, dto, { kind: 'want', place: dto.place, pieces: dto.pieces })

export const beginLap: Write<LapDto> = (db, id, dto) =>
  commandCheck(db, id, dto, {
    kind: 'begin-lap',
    id: dto.id,
    place: dto.place,
    lotId: dto.lotId,
    target: dto.target,
    low: dto.low ?? null,
    high: dto.high ?? null,
  })
export const logLapPass: Write<LapPassDto> = (db, id, dto) =>
  commandCheck(db, id, dto, { kind: 'lap-pass', lapId: dto.lapId, id: dto.id, figures: dto.figures, measuredAt: dto.at })
export const endLap: Write<LapEndDto> = (db, id, dto) => commandCheck(db, id, dto, { kind: 'end-lap', lapId: dto.lapId, made: dto.made })

export const signOff: Write<SignOffDto> = (db, id, dto) =>
  commandCheck(db, id, dto, { kind: 'sign', by: dto.by, reason: dto.reason ?? null, accepts: dto.accepts ?? [] })
export const reopen: Write<ReopenDto> = (db, id, dto) => commandCheck(db, id, dto, { kind: 'reopen', by: dto.by, reason: dto.reason })

export const settingsChange = (settings: CheckSettingsDto): SettingsChange =>
  tidy(settings) as unknown as SettingsChange & { limits?: { set: LimitSet }[]; uRefit?: Nm }
export const changeSettings: Write<SettingsDto> = (db, id, dto) =>
  commandCheck(db, id, dto, async (sql, { row }) => ({
    kind: 'change-settings',
    change: settingsChange(dto.settings),
    register: await allGauges(sql),
    parts: await partsOfJob(sql, row.job_id),
  }))
