/// Tells browsers what has changed as it happens, by role and sight: numbers only, never what stands there now. What
/// has changed is gathered by `platform.Telling`. Start with NewsApi.
package alcabala.server.news;
