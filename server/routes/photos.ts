import type { Express } from 'express'
import { endpoints } from '../../contract/endpoints'
import { Id } from '../../contract/scalars'
import type { Clock } from '../clock'
import type { Database } from '../db/database'
import { Fault, notFound } from '../faults'
import type { Mount } from '../mount'
import type { PhotoStore } from '../photoStore'
import { openPhotos } from '../services/bench/photos'
import { actAs, callerOf } from '../signIn/sessions'

export function photoRoutes(app: Express, mount: Mount, db: Database, clock: Clock, store: PhotoStore): void {
  const photos = openPhotos(db, clock, store)
  mount(endpoints.addPhoto, ({ caller, params, body }) => photos.ofSession(caller, params.id, body))
  mount(endpoints.addKnifePhoto, ({ caller, params, body }) => photos.ofKnife(caller, params.id, body))
  mount(endpoints.addIncidentPhoto, ({ caller, params, body }) => photos.ofIncident(caller, params.id, body))
  mount(endpoints.knifePhotos, ({ caller, params }) => photos.listOfKnife(caller, params.id))
  mount(endpoints.deletePhoto, ({ caller, params }) => photos.remove(caller, params.id))
  mount(endpoints.photoRoom, ({ caller }) => photos.room(caller))
  mount(endpoints.setPhotoQuota, ({ caller, body }) => photos.setQuota(caller, body.quotaMb))
  app.get('/api/photos/:id.jpg', (request, response, next) => {
    const send = async (): Promise<void> => {
      const caller = await callerOf(db, clock, request.headers.cookie)
      if (!caller) throw new Fault('not-signed-in', 'not-signed-in')
      const id = Id.safeParse(request.params.id)
      if (!id.success) throw notFound('photo')
      const bytes = await actAs(caller, () => photos.read(caller, id.data))
      response.setHeader('Cache-Control', 'private, max-age=31536000, immutable')
      response.type('image/jpeg').send(bytes)
    }
    send().catch(next)
  })
}
