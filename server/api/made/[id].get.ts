import { fetchMade } from '../../http/made'
import { idParam, route } from '../../http/route'

export default route((event, _db) => Promise.resolve(fetchMade(event, idParam(event, 'file'))))
