package app.denfold.paper.sealing;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.Calendar;
import java.util.GregorianCalendar;
import java.util.Map;
import java.util.TreeMap;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentCatalog;
import org.apache.pdfbox.pdmodel.PDDocumentNameDictionary;
import org.apache.pdfbox.pdmodel.PDEmbeddedFilesNameTreeNode;
import org.apache.pdfbox.pdmodel.common.PDMetadata;
import org.apache.pdfbox.pdmodel.common.PDNameTreeNode;
import org.apache.pdfbox.pdmodel.common.filespecification.PDComplexFileSpecification;
import org.apache.pdfbox.pdmodel.common.filespecification.PDEmbeddedFile;
import org.jspecify.annotations.Nullable;

/** Puts files into a PDF that go with it (ISO 32000-2, 7.11.4). */
final class AttachFiles {

    private AttachFiles() {}

    /** Files may be attached to a PDF for keeping from its third part on (ISO 19005-3): a lower claim is raised to that. */
    static void to(PDDocument document, String name, String words, String mediaType, byte[] bytes, Instant now)
            throws IOException {
        PDEmbeddedFile file = new PDEmbeddedFile(document, new ByteArrayInputStream(bytes));
        file.setSubtype(mediaType);
        file.setSize(bytes.length);
        Calendar made = GregorianCalendar.from(now.atZone(ZoneOffset.UTC));
        file.setCreationDate(made);
        file.setModDate(made);
        PDComplexFileSpecification attached = new PDComplexFileSpecification();
        attached.setFile(name);
        attached.setFileUnicode(name);
        attached.setFileDescription(words);
        attached.setEmbeddedFile(file);
        attached.setEmbeddedFileUnicode(file);
        attached.getCOSObject().setName("AFRelationship", "Supplement");
        PDDocumentCatalog catalog = document.getDocumentCatalog();
        PDDocumentNameDictionary names = catalog.getNames();
        if (names == null) {
            names = new PDDocumentNameDictionary(catalog);
        }
        Map<String, PDComplexFileSpecification> all = new TreeMap<>();
        PDEmbeddedFilesNameTreeNode before = names.getEmbeddedFiles();
        collect(before, all);
        all.put(name, attached);
        PDEmbeddedFilesNameTreeNode tree = new PDEmbeddedFilesNameTreeNode();
        tree.setNames(all);
        names.setEmbeddedFiles(tree);
        catalog.setNames(names);
        COSArray associated = catalog.getCOSObject().getCOSArray(COSName.getPDFName("AF"));
        COSArray files = new COSArray();
        if (associated != null) {
            files.addAll(associated);
        }
        files.add(attached);
        catalog.getCOSObject().setItem(COSName.getPDFName("AF"), files);
        raiseClaim(document, catalog);
    }

    private static void collect(
            @Nullable PDNameTreeNode<PDComplexFileSpecification> node, Map<String, PDComplexFileSpecification> all)
            throws IOException {
        if (node == null) {
            return;
        }
        if (node.getNames() != null) {
            all.putAll(node.getNames());
        }
        if (node.getKids() != null) {
            for (PDNameTreeNode<PDComplexFileSpecification> kid : node.getKids()) {
                collect(kid, all);
            }
        }
    }

    private static void raiseClaim(PDDocument document, PDDocumentCatalog catalog) throws IOException {
        PDMetadata metadata = catalog.getMetadata();
        if (metadata == null) {
            return;
        }
        String words = new String(metadata.toByteArray(), StandardCharsets.UTF_8);
        String raised = words.replaceAll("(?<head>pdfaid:part(?:>|=\"))[12]", "${head}3")
                .replaceAll("(?<head>pdfaid:part(?:>|='))[12]", "${head}3");
        if (!raised.equals(words)) {
            PDMetadata newer =
                    new PDMetadata(document, new ByteArrayInputStream(raised.getBytes(StandardCharsets.UTF_8)));
            catalog.setMetadata(newer);
        }
    }
}
