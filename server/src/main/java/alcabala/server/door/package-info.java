/// What is checked of a request before anything is made of it: its size, its haste, its characters, and whom it came
/// by. Start with BodyFilter.
package alcabala.server.door;
