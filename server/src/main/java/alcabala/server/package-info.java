/// The server: one package per stop of the road, with platform and access beside them. Start with AlcabalaApplication.
package alcabala.server;
