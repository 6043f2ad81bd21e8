/// Files of people as they stand, before anything is known of what they mean. Start with GridFile.
package alcabala.formats.grid;
