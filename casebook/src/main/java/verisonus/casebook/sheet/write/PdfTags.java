package verisonus.casebook.sheet.write;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDNumberTreeNode;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDMarkInfo;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDMarkedContentReference;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDParentTreeValue;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureNode;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureTreeRoot;
import org.apache.pdfbox.pdmodel.documentinterchange.taggedpdf.StandardStructureTypes;

/** What each piece of a document is, for those who read it aloud: ISO 32000-1, 14.7 and 14.8. */
final class PdfTags {
    private final PDStructureTreeRoot root = new PDStructureTreeRoot();
    private final PDStructureElement whole;
    private final Map<PDPage, List<PDStructureElement>> marked = new HashMap<>();
    private final List<PDPage> pages = new ArrayList<>();

    PdfTags(PDDocument document) {
        PDMarkInfo info = new PDMarkInfo();
        info.setMarked(true);
        document.getDocumentCatalog().setMarkInfo(info);
        document.getDocumentCatalog().setStructureTreeRoot(root);
        whole = element(StandardStructureTypes.DOCUMENT, root);
    }

    PDStructureElement whole() {
        return whole;
    }

    static PDStructureElement element(String type, PDStructureNode parent) {
        PDStructureElement e = new PDStructureElement(type, parent);
        parent.appendKid(e);
        return e;
    }

    /** Notes that the next content of a page belongs to an element. @return the number that marks it there */
    int mark(PDPage page, PDStructureElement element) {
        if (!marked.containsKey(page)) {
            page.setStructParents(pages.size());
            pages.add(page);
        }
        List<PDStructureElement> there = marked.computeIfAbsent(page, _ -> new ArrayList<>());
        PDMarkedContentReference reference = new PDMarkedContentReference();
        reference.setPage(page);
        reference.setMCID(there.size());
        element.appendKid(reference);
        there.add(element);
        return there.size() - 1;
    }

    /** After the last content: the way back from marks to elements. */
    void close() {
        Map<Integer, PDParentTreeValue> values = new HashMap<>();
        for (int i = 0; i < pages.size(); i++) {
            COSArray of = new COSArray();
            for (PDStructureElement e : marked.getOrDefault(pages.get(i), List.of())) of.add(e.getCOSObject());
            values.put(i, new PDParentTreeValue(of));
        }
        PDNumberTreeNode tree = new PDNumberTreeNode(PDParentTreeValue.class);
        tree.setNumbers(values);
        root.setParentTree(tree);
        root.setParentTreeNextKey(pages.size());
    }
}
