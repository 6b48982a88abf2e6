import { defineEventHandler, getRouterParam } from 'h3'
import { longTextId } from '#core/model/records'
import { storedLongText } from '../../../../db/log'
import { answering, readableProject, refuse, signedIn } from '../../../../http/request'

/** The words of a long text; revision 0 and no words where it is empty. */
export default defineEventHandler((event) =>
  answering(event, async (house) => {
    const { me, room } = await signedIn(event, house)
    const item = room.state.maybe('item', getRouterParam(event, 'id') ?? '')
    if (!item) return refuse('gone')
    readableProject(room, me, item.project)
    const stored = await storedLongText(
      house.database.db,
      room.workspace,
      longTextId(item.id, getRouterParam(event, 'field') ?? ''),
    )
    return { revision: stored?.revision ?? 0, text: stored?.text ?? '' }
  }),
)
