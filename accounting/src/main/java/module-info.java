/// The rules of the job and its computation. Start with alcabala.accounting.posting.
module alcabala.accounting {
    requires transitive org.joda.money;

    exports alcabala.accounting.batch;
    exports alcabala.accounting.crosswalk;
    exports alcabala.accounting.custom;
    exports alcabala.accounting.document;
    exports alcabala.accounting.field;
    exports alcabala.accounting.finding;
    exports alcabala.accounting.item;
    exports alcabala.accounting.ledger;
    exports alcabala.accounting.matching;
    exports alcabala.accounting.matching.evidence;
    exports alcabala.accounting.money;
    exports alcabala.accounting.party;
    exports alcabala.accounting.posting;
    exports alcabala.accounting.readiness;
    exports alcabala.accounting.record;
    exports alcabala.accounting.setting;
    exports alcabala.accounting.settlement;
    exports alcabala.accounting.sync;
    exports alcabala.accounting.tax;
    exports alcabala.accounting.terms;
    exports alcabala.accounting.whatif;
}
