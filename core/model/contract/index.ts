// Here: what web and server say to each other, as Zod schemas and types.
// Not here: how requests are sent or answered.
// Start with `changesRequest`.
// Terms: docs/glossary.md.
export { forbiddenOperation, hasRight, type Right, type Role, ROLES } from './access.ts';
export { hasEnded, type JobState } from './jobs.ts';
export { type FirmRule, keepMapsRequest, keepRulesRequest, keepTypesRequest } from './library.ts';
export { acceptInvitationRequest, askResetRequest, changePasswordRequest, firmSettingsRequest, firstAccountRequest, inviteRequest, memberRequest, MIN_PASSWORD_LENGTH, readInvitationRequest, resetPasswordRequest, signInRequest } from './people.ts';
export { type AuditLine, auditReply, type AuditReply, type ChangeResult, changesReply, type ChangesReply, type DeletedProject, deletedProjectsReply, deviceKeyReply, documentReply, type DocumentReply, type FirmRules, firmRulesReply, instrumentsReply, type Invitation, invitationReply, type InvitationReply, jobReply, type JobReply, libraryReadReply, type LibraryReadReply, libraryReply, type LibraryReply, madeReply, type Mail, mailsReply, type MailsReply, mapsReply, type MapsReply, measureReply, type Member, type OpenSession, peopleReply, type PeopleReply, type PictureInfo, pictureReply, planFileReply, printerJobsReply, type PrinterJobsReply, printLabelsReply, type PrintLabelsReply, problemReply, projectsReply, type ProjectsReply, type ProjectSummary, sentReply, sessionReply, type SessionReply, sessionsReply, type SessionsReply, type StoredChange, storedChangesReply } from './replies.ts';
export { changesRequest, labelsQuery, LIVE_CLOSED, type LiveMessage, MIN_PROTOCOL, newProjectRequest, planQuery, printLabelsRequest, PROTOCOL_VERSION, siteQuery, TILE_PX, WHOLE_UP_TO_PX } from './requests.ts';
