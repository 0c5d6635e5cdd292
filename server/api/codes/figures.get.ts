import { route } from '../../http/route'
import { figureArticles } from '../../service/codes'

export default route((_event, db) => figureArticles(db))
