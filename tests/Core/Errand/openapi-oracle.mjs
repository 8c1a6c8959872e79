// Whether a document is sound OpenAPI, as the package @apidevtools/swagger-parser sees it.
import SwaggerParser from '@apidevtools/swagger-parser';

try {
    await SwaggerParser.validate(JSON.parse(process.argv[2]));
    console.log('sound');
} catch (problem) {
    console.log(problem.message);
}
