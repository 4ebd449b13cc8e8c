/** Where families find this server: as it was set, else as the teacher found it. */
export const originFor = (request: Request): string => process.env.YARD_ORIGIN ?? new URL(request.url).origin;
