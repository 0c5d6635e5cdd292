import { createHash } from 'node:crypto'
import { createReadStream } from 'node:fs'
import { pipeline } from 'node:stream/promises'
import type { H3Event } from 'h3'
import { NewPhotoDto } from '#shared/dto/photo'
import { intoFile, withFile } from '../backup/passing'
import { dataFolder } from '../current'
import type { PhotoOf } from '../database/photos'
import { readQuery } from '../http/body'
import { route } from '../http/route'
import { addPhoto } from '../service/photos'
import { PHOTO_LARGEST } from './clean'

/** A route that takes a photograph of something: its file comes in beside the others, and is let near the memory when it is its turn. */
export const takingPhoto = (of: (event: H3Event, dto: NewPhotoDto) => PhotoOf) =>
  route(async (event, db) => {
    const dto = await readQuery(event, NewPhotoDto)
    return withFile(dataFolder(), async path => {
      await intoFile(event.node.req, path, PHOTO_LARGEST)
      const thing = of(event, dto)
      dto.content = await contentOf(path, { thing, caption: dto.caption })
      return addPhoto(db, thing, dto, path)
    })
  })

/** What was sent: another file under the same id is another photograph. */
async function contentOf(path: string, words: object): Promise<string> {
  const digest = createHash('sha256').update(JSON.stringify(words))
  await pipeline(createReadStream(path), digest)
  return digest.digest('base64url')
}
