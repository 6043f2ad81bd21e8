/// What is decided about a route, with what each decision would do to a real document before it is taken. Start with
/// SettingsApi.
package alcabala.server.settings;
