#include "core/base/dense.h"

#include <Eigen/Cholesky>
#include <Eigen/Eigenvalues>
#include <Eigen/LU>

namespace wl {

Spectrum spectrumOf(const Eigen::MatrixXd& matrix) {
    const Eigen::EigenSolver<Eigen::MatrixXd> solver(matrix);
    return {solver.eigenvalues(), solver.eigenvectors()};
}

Eigen::VectorXcd rootsOf(const Eigen::MatrixXd& matrix) {
    return Eigen::EigenSolver<Eigen::MatrixXd>(matrix, false).eigenvalues();
}

Eigen::VectorXcd solved(const Eigen::MatrixXcd& a, const Eigen::VectorXcd& b) {
    return a.partialPivLu().solve(b);
}

Eigen::VectorXd solvedSymmetric(const Eigen::MatrixXd& a, const Eigen::VectorXd& b) {
    return a.ldlt().solve(b);
}

Eigen::VectorXd leastSquares(const Eigen::MatrixXd& terms, const Eigen::VectorXd& values) {
    return solvedSymmetric(turnedProduct(terms, terms), terms.transpose() * values);
}

Eigen::MatrixXd inverseOf(const Eigen::MatrixXd& matrix) {
    return matrix.inverse();
}

Eigen::MatrixXd product(const Eigen::MatrixXd& a, const Eigen::MatrixXd& b) {
    return a * b;
}

Eigen::MatrixXd turnedProduct(const Eigen::MatrixXd& a, const Eigen::MatrixXd& b) {
    return a.transpose() * b;
}

}  // namespace wl
