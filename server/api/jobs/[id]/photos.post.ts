import { NewPhotoDto } from '#shared/dto/photo'
import { readBytes, readQuery } from '../../../http/body'
import { idParam, route } from '../../../http/route'
import { PHOTO_LARGEST } from '../../../photo/clean'
import { addPhoto } from '../../../service/photos'

export default route(async (event, db) => {
  const dto = await readQuery(event, NewPhotoDto)
  return addPhoto(db, { job: idParam(event, 'job'), check: dto.check ?? null }, dto, await readBytes(event, PHOTO_LARGEST))
})
