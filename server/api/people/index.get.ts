import { allPeople } from '../../database/people'
import { route } from '../../http/route'

export default route((_event, db) => allPeople(db))
