/// Open formats in and out. A reader gives documents or problems with their place in the file; it never throws for bad
/// input.
package alcabala.formats;
