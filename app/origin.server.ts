/** The address at which families find this server: as configured, otherwise as the teacher's own request reached it. */
export const originFor = (request: Request): string => process.env.YARD_ORIGIN ?? new URL(request.url).origin;
