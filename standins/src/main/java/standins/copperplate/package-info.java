/// Copperplate, the ledger of Port Ellery: it has no doors for other programs. What it knows comes out of it as CSV,
/// and it imports files. Start with CopperplateBooks, and CopperplateImports.
package standins.copperplate;
