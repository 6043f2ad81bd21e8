/// The crosswalk, and what compiling by it says of each record. Start with Compilers and Recompiler.
package alcabala.server.compile;
