import { z } from 'zod'
import { byId, bytesForText, endpoint } from '../endpoint'
import { MOST_PHOTO_CHARACTERS, NewPhoto, Photo, PhotoQuota, PhotoRoom } from '../photos'
import { Id } from '../scalars'

const picture = { answer: z.object({ id: Id }), mostBytes: bytesForText(MOST_PHOTO_CHARACTERS / 6) }

export const photoEndpoints = {
  addPhoto: endpoint(
    'post',
    '/api/bench-sessions/{id}/photos',
    'log-hone',
    'Keep a picture of an edge with its session',
    { params: byId, body: NewPhoto, ...picture },
  ),
  addKnifePhoto: endpoint(
    'post',
    '/api/knives/{id}/photos',
    'log-check',
    'Keep a picture in a knife’s history, with the entry it belongs to',
    { params: byId, body: NewPhoto.extend({ eventId: Id.nullable().default(null) }), ...picture },
  ),
  addIncidentPhoto: endpoint(
    'post',
    '/api/incidents/{id}/photos',
    'see',
    'Keep a picture with an accident or a near miss',
    { params: byId, body: NewPhoto, ...picture },
  ),
  knifePhotos: endpoint('get', '/api/knives/{id}/photos', 'see', 'Pictures of a knife, of its sessions too', {
    params: byId,
    answer: z.array(Photo),
  }),
  deletePhoto: endpoint('delete', '/api/photos/{id}', 'edit-knife', 'Take a picture away for good', {
    params: byId,
    answer: z.object({ id: Id }),
  }),
  photoRoom: endpoint('get', '/api/photo-room', 'manage-house', 'How much room pictures take', { answer: PhotoRoom }),
  setPhotoQuota: endpoint('put', '/api/photo-room', 'manage-house', 'Say how much room pictures may take', {
    body: PhotoQuota,
    answer: PhotoRoom,
  }),
} as const
