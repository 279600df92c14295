export { breadthMm, developedWidthMm, FACE_IDS, faceAtU, faceIdSchema, faceOf, facesOf, heightOnFace, isClosed, midlinePoint, shapeSchema, surfacePoint, uOnFace, type Face, type FaceId, type MemberShape } from './shape';
export { axleStationsMm, CRITICAL_REACH_MM, FAMILY_IDS, familySchema, frameSchema, LANDMARK_KINDS, landmarkSchema, landmarksOn, memberOf, memberSchema, spotOnMember, spotSchema, twinOf, type Family, type Frame, type Landmark, type Member, type Spot } from './frame';
export { crossmember, defaultFrame, typicalRail, type FamilyChoice } from './family';
export { bySchema, instantSchema, recordIdSchema, standing, strikeSchema, type Strike } from './strike';
export { surfaceOf, type Surface } from './surface';
export { DUTIES, EXPOSURES, jobSheetSchema, noticeSchema, PURPOSES, UNIT_KINDS, unitSchema, type JobSheet, type Notice, type Unit } from './unit';
