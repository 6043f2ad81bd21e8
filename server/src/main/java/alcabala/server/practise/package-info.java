/// Faults made to happen on the demo's stand-ins, to learn the job on. Start with Practising.
package alcabala.server.practise;
