/// Crosswalks as files, out and in again, and one answer for many codes: tried first, done as one change, taken
/// back as one.
package alcabala.server.bulk;
